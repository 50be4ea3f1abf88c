"use client";

import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { dryingOf, waitedBody, waitingBody } from "../../core/journal";
import { useKept } from "../shell/useKept";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/DryingTimer";

/** Minutes, where the label is not read; from memory. */
const USUAL = 10;
const MOST = 24 * 60;

/** Waits as long as the label says, as a timer that is seen wherever one is. */
export function DryingTimer({ job, assembly, busy, onLog }: Omit<RepairProps, "machine">) {
  const [minutes, setMinutes] = useKept("unzo.drying");
  const id = dryingOf(assembly);
  const waits = job.work.waits.some((w) => w.body.wait === id);
  const given = minutes.trim() === "" ? USUAL : Number(minutes.replace(",", "."));
  const isGood = given > 0 && given <= MOST;
  return (
    <div className="drying d-flex gap-2 align-items-center d-print-none">
      <Form.Label htmlFor={`drying-${assembly}`} className="mb-0">
        {say.minutesOnTheLabel}
      </Form.Label>
      <Form.Control
        id={`drying-${assembly}`}
        value={minutes}
        placeholder={String(USUAL)}
        inputMode="decimal"
        maxLength={6}
        isInvalid={!isGood}
        onChange={(e) => setMinutes(e.target.value)}
      />
      <Button
        variant="outline-dark"
        disabled={busy || !(waits || isGood)}
        onClick={() =>
          void onLog(
            waits ? waitedBody(id) : waitingBody({ id, words: say.drying }, Math.round(60 * given), assembly, "locked"),
          )
        }
      >
        {waits ? say.dry : say.start}
      </Button>
    </div>
  );
}
