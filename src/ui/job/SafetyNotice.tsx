"use client";

import Button from "react-bootstrap/Button";

/** How to work on a powered machine; read once a job, before the first test on it. */
export function SafetyNotice({ onRead, busy }: { onRead: () => void; busy: boolean }) {
  return (
    <div className="safety" role="region" aria-label="Before you measure on a powered machine">
      <h3>
        <i className="bi bi-exclamation-triangle-fill" aria-hidden /> Before you measure on a powered machine
      </h3>
      <ul>
        <li>Power off to open any panel and to place or move the leads. Leads first, then power.</li>
        <li>Prove the meter: a live point, then dead, then live again.</li>
        <li>One hand where you can. No rings, dry floor, shrouded tips, leads rated for the mains.</li>
        <li>Switched off is not dead. Only the pulled plug is, after the wait.</li>
        <li>
          Local codes and licensed practice come first. If you are not allowed to work live, make the dead tests only.
        </li>
      </ul>
      <Button size="lg" onClick={onRead} disabled={busy}>
        I work that way
      </Button>
    </div>
  );
}
