"use client";

import Button from "react-bootstrap/Button";
import { type Conflict, type EventBody, plainTest, struckBody } from "../../core/journal";
import type { Test } from "../../core/simulate";
import { clockTime } from "../shell/time";
import { say } from "#words/ui/job/Conflicts";

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
    <section key={`${c.first.event} ${c.second.event}`} className="conflict" role="alert" aria-label={say.twoAnswers}>
      <p className="mb-2">
        <i className="bi bi-exclamation-diamond-fill" aria-hidden /> <strong>{say.twoAnswers2}</strong> {c.words}
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
                aria-label={say.byIsRight(side.said, side.actor)}
                onClick={() =>
                  void onLog(struckBody(other.event, say.twoAnswersByIsRight(side.said, side.actor).slice(0, 200)))
                }
              >
                {say.thisIsRight}
              </Button>
            </li>
          );
        })}
      </ul>
      {c.reading ? (
        <Button size="sm" variant="link" onClick={() => onAgain(plainTest(c.reading!.body.test))}>
          {say.measureItAgain}
        </Button>
      ) : null}
    </section>
  ));
}
