"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { useMemo, useState } from "react";
import type { OpenWait } from "../../contract/waits";
import { useKept } from "../shell/useKept";
import { useNow } from "../shell/useNow";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { leftWords } from "./left-words";
import { CARE_ICONS, placeOf } from "./wait-place";
import { useRinging } from "./useRinging";
import { useWaits } from "./useWaits";
import { WaitDialog } from "./WaitDialog";
import { WaitList } from "./WaitList";
import { CARE_WORDS, say } from "#words/ui/waits";

/** Shown beside each other; all others behind one key. */
const SHOWN = 3;

/**
 * Everything that is waited for, in any job or without one, wherever one is; what is due rings. What is overdue says
 * so, also after the page was closed.
 */
export function Waits() {
  const { waits, more, begin, end, problem } = useWaits();
  const [muted, setMuted] = useKept("unzo.muted");
  const [begins, setBegins] = useState(false);
  const [lists, setLists] = useState(false);
  const now = useNow(waits.length > 0);
  const job = /^\/jobs\/([0-9a-f-]{36})/.exec(usePathname())?.[1] ?? null;
  const isDue = (w: OpenWait) => Date.parse(w.due) <= now;
  // The list stays the same one as long as the same are due.
  const dueKeys = waits
    .filter(isDue)
    .map((w) => `${w.job} ${w.wait}`)
    .join("|");
  const due = useMemo(() => waits.filter((w) => dueKeys.split("|").includes(`${w.job} ${w.wait}`)), [waits, dueKeys]);
  // What the job at hand waits for comes first: a phone has room for one.
  const isOwn = (w: OpenWait) => job !== null && w.job === job;
  const shown = [...waits.filter(isOwn), ...waits.filter((w) => !isOwn(w))].slice(0, SHOWN);
  useRinging(due, muted === "yes");
  useShortcut("wait", () => setBegins(true));
  return (
    <>
      {waits.length > 0 ? (
        <ul className="waits" aria-label={say.waitingFor}>
          {shown.map((w) => {
            const left = Math.round((Date.parse(w.due) - now) / 1000);
            const care = w.care ?? "watch";
            return (
              <li key={`${w.job} ${w.wait}`} className={left <= 0 ? "is-due" : ""} title={w.words}>
                <PlaceLink of={w} onList={() => setLists(true)}>
                  <i
                    className={`bi ${left <= 0 ? "bi-bell-fill" : CARE_ICONS[care]}`}
                    title={CARE_WORDS[care]}
                    aria-hidden
                  />{" "}
                  <span>{w.words}</span> <strong className="value">{leftWords(left)}</strong>
                </PlaceLink>
              </li>
            );
          })}
          <li className={due.length > 0 ? "is-due" : ""}>
            <button type="button" onClick={() => setLists(true)}>
              {due.length > 0 ? <i className="bi bi-bell-fill" aria-hidden /> : null} {say.all(waits.length + more)}
            </button>
          </li>
        </ul>
      ) : null}
      <button type="button" className="wait-begin" title={say.begin} onClick={() => setBegins(true)}>
        <i className="bi bi-hourglass-split" aria-hidden /> <span>{say.wait}</span> <Key of="wait" />
      </button>
      {begins ? <WaitDialog job={job} problem={problem} onBegin={begin} onHide={() => setBegins(false)} /> : null}
      <WaitList
        show={lists}
        waits={waits}
        more={more}
        now={now}
        problem={problem}
        muted={muted === "yes"}
        onMute={(is) => setMuted(is ? "yes" : "")}
        onEnd={end}
        onLater={begin}
        onHide={() => setLists(false)}
      />
    </>
  );
}

interface PlaceProps {
  readonly of: OpenWait;
  readonly onList: () => void;
  readonly children: React.ReactNode;
}

/** The way to where what is waited for goes on; what belongs to no job is ended in the list. */
function PlaceLink({ of, onList, children }: PlaceProps) {
  const place = placeOf(of);
  if (place !== null) return <Link href={place}>{children}</Link>;
  return (
    <button type="button" onClick={onList}>
      {children}
    </button>
  );
}
