"use client";

import Button from "react-bootstrap/Button";
import { type Conflict, type EventBody, plainTest, struckBody } from "../../core/journal";
import type { Test } from "../../core/simulate";
import { clockTime } from "../shell/time";

/** Two answers to one question by people who did not see each other's: which of them stands is for them to say. */
export function Conflicts({
  conflicts,
  busy,
  onLog,
  onAgain,
}: {
  conflicts: readonly Conflict[];
  busy: boolean;
  onLog: (body: EventBody) => Promise<boolean>;
  onAgain: (test: Test) => void;
}) {
  return conflicts.map((c) => (
    <section key={`${c.first.event} ${c.second.event}`} className="conflict" role="alert" aria-label="Two answers">
      <p className="mb-2">
        <i className="bi bi-exclamation-diamond-fill" aria-hidden /> <strong>Two answers.</strong> {c.words}
      </p>
      <ul className="plain-list">
        {[c.first, c.second].map((side, i) => {
          const other = i === 0 ? c.second : c.first;
          return (
            <li key={side.event}>
              <span>
                <strong className="value">{side.said}</strong>{" "}
                <span className="quiet" suppressHydrationWarning>
                  {side.actor}, {clockTime(side.at)}
                </span>
              </span>
              <Button
                size="sm"
                variant="outline-dark"
                disabled={busy}
                aria-label={`${side.said} by ${side.actor} is right`}
                onClick={() =>
                  void onLog(
                    struckBody(other.event, `two answers; ${side.said} by ${side.actor} is right`.slice(0, 200)),
                  )
                }
              >
                This is right
              </Button>
            </li>
          );
        })}
      </ul>
      {c.reading ? (
        <Button size="sm" variant="link" onClick={() => onAgain(plainTest(c.reading!.body.test))}>
          Measure it again
        </Button>
      ) : null}
    </section>
  ));
}
