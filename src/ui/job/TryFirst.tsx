"use client";

import Button from "react-bootstrap/Button";
import type { Attempt } from "../../core/diagnose";
import { type EventBody, triedBody } from "../../core/journal";

interface Props {
  readonly attempt: Attempt;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
  readonly onMeasure: () => void;
}

/** A repair that is cheaper to try than its fault is to find. */
export function TryFirst({ attempt, busy, onLog, onMeasure }: Props) {
  const tried = (result: "gone" | "stays") => void onLog(triedBody({ ...attempt, id: attempt.piece }, result));
  return (
    <div className="next" aria-busy={busy}>
      <div className="next-kicker">
        <span>Try first</span>
        <span className="exposure dead">
          <i className="bi bi-plug" aria-hidden /> Dead
        </span>
        <span className="minutes">{Math.round(attempt.minutes)} min</span>
      </div>
      <h2>
        {attempt.name}: {attempt.repair.charAt(0).toLowerCase()}
        {attempt.repair.slice(1)}
      </h2>
      <p>{attempt.why}</p>
      <ul className="cautions">
        {attempt.cautions.map((c) => (
          <li key={c}>
            <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
          </li>
        ))}
      </ul>
      <p className="mb-1">Close up, power on, watch. And now?</p>
      <div className="d-flex flex-wrap gap-2">
        <Button size="lg" disabled={busy} onClick={() => tried("gone")}>
          Fixed
        </Button>
        <Button size="lg" variant="outline-dark" disabled={busy} onClick={() => tried("stays")}>
          Still there
        </Button>
        <Button size="lg" variant="link" disabled={busy} onClick={onMeasure}>
          Measure instead
        </Button>
      </div>
    </div>
  );
}
