"use client";

import type { TrailReading } from "../../core/journal";
import Button from "react-bootstrap/Button";
import type { Job, Unseen } from "../../core/journal";
import { clockTime } from "../shell/time";
import { unseenWords } from "./unseen-words";
import { VERDICT_WORDS } from "#words/job";
import { say } from "#words/ui/job/Trail";

/** What was done, newest first. A reading is struck out, never erased. `written`: the job as the journal has it. */
export function Trail({
  job,
  written,
  unseen,
  onStrike,
}: {
  job: Job;
  written: Job;
  unseen: Unseen;
  onStrike: (event: string) => void;
}) {
  return (
    <section className="trail" aria-label={say.done}>
      <div className="panel-head">
        <h2>{say.done}</h2>
        <span className="quiet">{say.altZStrikesTheLast}</span>
      </div>
      <ol reversed>
        {[...job.readings].reverse().map((r) => (
          <li key={r.id} className={r.struck ? "is-struck" : ""}>
            <span className={`mark ${markOf(r)}`} aria-hidden />
            <span className="trail-text">
              <span>
                <strong className="value">{r.struck ? <s>{r.body.as.shown}</s> : r.body.as.shown}</strong>{" "}
                {r.body.as.title}
              </span>
              <span className="quiet">
                <time dateTime={r.at} suppressHydrationWarning>
                  {clockTime(r.at)}
                </time>{" "}
                {r.actor === job.opened.actor ? null : `${r.actor}, `}
                {r.struck
                  ? say.struckOutReason(r.struck.reason)
                  : `${VERDICT_WORDS[r.body.as.verdict]}, expected ${r.body.as.expected}`}
                {unseen.has(r.id) ? (
                  <span className="on-older">
                    {" "}
                    <i className="bi bi-clock-history" aria-hidden />{" "}
                    {say.onOlderAdvice(unseenWords(unseen.get(r.id)!))}
                  </span>
                ) : null}
                {written.readings.some((w) => w.id === r.id) ? null : (
                  <span className="on-its-way">
                    {" "}
                    <i className="bi bi-cloud-arrow-up" aria-hidden /> {say.onItsWay}
                  </span>
                )}
              </span>
            </span>
            {r.struck ? null : (
              <Button
                size="sm"
                variant="link"
                onClick={() => onStrike(r.id)}
                aria-label={say.strikeOutShownAsTitle(r.body.as.shown, r.body.as.title)}
              >
                <i className="bi bi-slash-circle" aria-hidden />
              </Button>
            )}
          </li>
        ))}
        <li>
          <span className="mark complaint" aria-hidden />
          <span className="trail-text">
            <span>{job.opened.complaintWords ?? say.noComplaint}</span>
            <span className="quiet">
              <time dateTime={job.opened.at} suppressHydrationWarning>
                {clockTime(job.opened.at)}
              </time>{" "}
              {job.opened.actor}
            </span>
          </span>
        </li>
      </ol>
    </section>
  );
}

function markOf(r: TrailReading): "fits" | "misfit" | "struck" | "open" {
  if (r.struck) return "struck";
  if (r.body.as.verdict === "not judged") return "open";
  if (r.body.as.verdict === "fits") return "fits";
  return "misfit";
}
