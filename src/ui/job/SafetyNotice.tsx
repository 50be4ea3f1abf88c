"use client";

import Button from "react-bootstrap/Button";
import { say } from "#words/ui/job/SafetyNotice";

/** How to work on a powered machine; read once a job, before the first test on it. */
export function SafetyNotice({ onRead, busy }: { onRead: () => void; busy: boolean }) {
  return (
    <div className="safety" role="region" aria-label={say.beforeYouMeasureOnA}>
      <h3>
        <i className="bi bi-exclamation-triangle-fill" aria-hidden /> {say.beforeYouMeasureOnA}
      </h3>
      <ul>
        <li>{say.powerOffToOpenAny}</li>
        <li>{say.proveTheMeterALive}</li>
        <li>{say.oneHandWhereYouCan}</li>
        <li>{say.switchedOffIsNotDead}</li>
        <li>{say.localCodesAndLicensedPractice}</li>
      </ul>
      <Button size="lg" onClick={onRead} disabled={busy}>
        {say.iWorkThatWay}
      </Button>
    </div>
  );
}
