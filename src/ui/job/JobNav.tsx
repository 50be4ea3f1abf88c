import Link from "next/link";
import type { ReactNode } from "react";
import { Waits } from "../shell/Waits";
import { VIEWS, type View } from "./job-views";
import { RestClock } from "./RestClock";
import type { Rest } from "./useRest";
import { Key } from "../shortcuts/Key";
import { Shortcuts } from "../shortcuts/Shortcuts";

interface Props {
  readonly view: View;
  readonly onView: (view: View) => void;
  readonly rest: Rest;
  readonly children: ReactNode;
}

/** The views of a job, what is waited for, and the menu of tools and limits as children. */
export function JobNav({ view, onView, rest, children }: Props) {
  return (
    <nav className="views" aria-label="Views of the job">
      {VIEWS.map((v) => (
        <button key={v.id} type="button" aria-current={view === v.id ? "page" : undefined} onClick={() => onView(v.id)}>
          <i className={`bi ${v.icon}`} aria-hidden /> {v.name} <Key of={v.key} />
        </button>
      ))}
      <Link className="view-link" href="/tools">
        <i className="bi bi-tools" aria-hidden /> Calculators and bench <Key of="calculators" />
      </Link>
      {rest.until !== null ? (
        <span className="rest-mark" role="timer" aria-label="Compressor restart delay">
          <i className="bi bi-hourglass-split" aria-hidden /> restart delay{" "}
          <RestClock until={rest.until} minutes={rest.minutes} />
        </span>
      ) : null}
      <Waits />
      <Shortcuts />
      {children}
    </nav>
  );
}
