"use client";

import { useEffect, useState } from "react";
import Button from "react-bootstrap/Button";
import type { Evidence } from "../../core/diagnose/evidence/evidence";
import type { Misfit } from "../../core/diagnose/advice/likely-slips";
import type { Job } from "../../core/journal/fold";
import type { Test } from "../../core/simulate/test";
import type { Desk } from "../shell/useDesk";

/** Whether the last reading fits nothing; asked once the advice is of today. */
export function useMisfit(desk: Desk | null, evidence: readonly Evidence[], job: Job, ready: boolean): Misfit | null {
  const last = [...job.readings].reverse().find((r) => !r.struck);
  const id = ready && last ? last.id : null;
  const [found, setFound] = useState<{ readonly id: string; readonly misfit: Misfit | null } | null>(null);
  useEffect(() => {
    if (!desk || !id) return;
    let current = true;
    desk.misfit(evidence).then(
      (misfit) => {
        if (current) setFound({ id, misfit });
      },
      () => {},
    );
    return () => {
      current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked once a reading
  }, [desk, id]);
  return id && found?.id === id ? found.misfit : null;
}

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
        <span className="mark misfit" aria-hidden /> <strong className="value">{reading.body.as.shown}</strong> at{" "}
        {reading.body.as.title}. {misfit.sentence}
      </p>
      {misfit.slips.length > 0 ? (
        <>
          <p className="mb-1">Perhaps it was:</p>
          <ul className="mb-2">
            {misfit.slips.map((s) => (
              <li key={s.words}>
                {s.words} <span className="quiet">(would show {s.shows})</span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <div className="d-flex flex-wrap gap-2">
        <Button size="sm" variant="outline-dark" onClick={() => onAgain(misfit.test)}>
          Measure it again
        </Button>
        <Button size="sm" variant="outline-dark" onClick={() => onStrike(misfit.evidence)}>
          Strike it out
        </Button>
      </div>
    </div>
  );
}
