import Link from "next/link";
import type { ReactNode } from "react";
import { Waits } from "../waits/Waits";
import { VIEWS, type View } from "./job-views";
import { RestClock } from "./RestClock";
import type { Rest } from "./useRest";
import { Key } from "../shortcuts/Key";
import { Shortcuts } from "../shortcuts/Shortcuts";
import { say } from "#words/ui/job/JobNav";

interface Props {
  readonly job: string;
  readonly view: View;
  readonly onView: (view: View) => void;
  readonly rest: Rest;
  readonly children: ReactNode;
}

/** The views of a job, what is waited for, and the menu of tools and limits as children. */
export function JobNav({ job, view, onView, rest, children }: Props) {
  return (
    <nav className="views job-views" aria-label={say.viewsOfTheJob}>
      {VIEWS.map((v) => (
        <button key={v.id} type="button" aria-current={view === v.id ? "page" : undefined} onClick={() => onView(v.id)}>
          <TabWords icon={v.icon} name={v.name} short={v.short} /> <Key of={v.key} />
        </button>
      ))}
      {rest.until !== null ? (
        <span className="rest-mark" role="timer" aria-label={say.compressorRestartDelay}>
          <i className="bi bi-hourglass-split" aria-hidden /> {say.restartDelay}{" "}
          <RestClock until={rest.until} minutes={rest.minutes} />
        </span>
      ) : null}
      <Waits />
      <Link className="view-link" href={`/tools?from=${job}`} title={say.calculatorsAndBench}>
        <TabWords icon="bi-calculator" name="Calculators" short={say.calc} />
      </Link>
      {children}
      <Shortcuts />
    </nav>
  );
}

/** An icon with its name, or on a narrow screen its short name. */
function TabWords({ icon, name, short }: { readonly icon: string; readonly name: string; readonly short: string }) {
  return (
    <>
      <i className={`bi ${icon}`} aria-hidden /> <span className="tab-name">{name}</span>
      <span className="tab-short" aria-hidden>
        {short}
      </span>
    </>
  );
}
