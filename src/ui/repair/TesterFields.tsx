"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { testerBody } from "../../core/journal";
import { shortDate } from "../shell/time";
import { useKept } from "../shell/useKept";
import { useNow } from "../shell/useNow";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/TesterFields";

/** A calibration older than this has run out, days: testers are calibrated once a year; common practice, no source. */
const YEAR = 366;
const DAY = 86_400_000;

/** With what the safety test is made, and when that was last calibrated: said once a job, and remembered. */
export function TesterFields({ job, busy, onLog }: Pick<RepairProps, "job" | "busy" | "onLog">) {
  const [name, setName] = useKept("unzo.tester");
  const [calibrated, setCalibrated] = useKept("unzo.calibrated");
  const [changes, setChanges] = useState(false);
  const now = useNow(false);
  const known = job.work.tester?.body;
  if (known && !changes)
    return (
      <p className="mb-2">
        {say.testerIs(known.name, shortDate(known.calibrated))}{" "}
        {isOld(known.calibrated, now) ? <strong className="swap-caution">{say.ranOut}</strong> : null}{" "}
        <Button variant="link" onClick={() => setChanges(true)}>
          {say.another}
        </Button>
      </p>
    );
  const isWhole = name.trim() !== "" && /^\d{4}-\d{2}-\d{2}$/.test(calibrated);
  return (
    <div className="repair-asks tester-fields">
      <Form.Group controlId="tester">
        <Form.Label>{say.tester}</Form.Label>
        <Form.Control value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="calibrated">
        <Form.Label>{say.calibrated}</Form.Label>
        <Form.Control type="date" value={calibrated} onChange={(e) => setCalibrated(e.target.value)} />
      </Form.Group>
      <Button
        variant="outline-dark"
        disabled={busy || !isWhole}
        onClick={() => void onLog(testerBody(name, calibrated)).then((done) => done && setChanges(false))}
      >
        {say.thisOne}
      </Button>
      {isWhole && isOld(calibrated, now) ? <p className="swap-caution mb-0">{say.ranOut}</p> : null}
    </div>
  );
}

const isOld = (calibrated: string, now: number) => now - Date.parse(calibrated) > YEAR * DAY;
