"use client";

import Button from "react-bootstrap/Button";
import type { Attempt } from "../../core/diagnose";
import { type EventBody, triedBody } from "../../core/journal";
import { say } from "#words/ui/job/TryFirst";

interface Props {
  readonly attempt: Attempt;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
  readonly onMeasure: () => void;
}

/** A repair that is cheaper to try than its fault is to find. */
export function TryFirst({ attempt, busy, onLog, onMeasure }: Props) {
  const tried = (result: "gone" | "stays") => void onLog(triedBody({ ...attempt, id: attempt.assembly }, result));
  return (
    <div className="next" aria-busy={busy}>
      <div className="next-kicker">
        <span>{say.tryFirst}</span>
        <span className="exposure dead">
          <i className="bi bi-plug" aria-hidden /> {say.dead}
        </span>
        <span className="minutes">{say.minutesMin(Math.round(attempt.minutes))}</span>
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
      <p className="mb-1">{say.closeUpPowerOnWatch}</p>
      <div className="d-flex flex-wrap gap-2">
        <Button size="lg" disabled={busy} onClick={() => tried("gone")}>
          {say.fixed}
        </Button>
        <Button size="lg" variant="outline-dark" disabled={busy} onClick={() => tried("stays")}>
          {say.stillThere}
        </Button>
        <Button size="lg" variant="link" disabled={busy} onClick={onMeasure}>
          {say.measureInstead}
        </Button>
      </div>
    </div>
  );
}
