"use client";

import Button from "react-bootstrap/Button";
import type { Misfit } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import type { Test } from "../../core/simulate";
import { say } from "#words/ui/job/Misfit";

/** A reading that fits nothing: the slips that would explain it, and the cheapest recheck. */
export function MisfitNote({
  misfit,
  job,
  onAgain,
  onStrike,
}: {
  misfit: Misfit;
  job: Job;
  onAgain: (test: Test) => void;
  onStrike: (id: string) => void;
}) {
  const reading = job.readings.find((r) => r.id === misfit.evidence);
  if (!reading) return null;
  return (
    <div className="misfit-note" role="status">
      <p className="mb-1">
        <span className="mark misfit" aria-hidden /> <strong className="value">{reading.body.as.shown}</strong>{" "}
        {say.whatAndSentence(reading.body.as.title, misfit.sentence)}
      </p>
      {misfit.slips.length > 0 ? (
        <>
          <p className="mb-1">{say.perhapsItWas}</p>
          <ul className="mb-2">
            {misfit.slips.map((s) => (
              <li key={s.words}>
                {s.words} <span className="quiet">{say.wouldShowShows(s.shows)}</span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <div className="d-flex flex-wrap gap-2">
        <Button size="sm" variant="outline-dark" onClick={() => onAgain(misfit.test)}>
          {say.measureItAgain}
        </Button>
        <Button size="sm" variant="outline-dark" onClick={() => onStrike(misfit.evidence)}>
          {say.strikeItOut}
        </Button>
      </div>
    </div>
  );
}
