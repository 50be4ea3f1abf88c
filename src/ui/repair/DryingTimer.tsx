"use client";

import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { dryingOf, USUAL_DRYING, waitedBody, waitingBody } from "../../core/journal";
import { useKept } from "../shell/useKept";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/DryingTimer";

/** Longest wait on a label, minutes. */
const MOST = 24 * 60;

/** The wait for what was cleaned on an assembly, as long as was typed last; as usual where that is no time. */
export function useDrying(assembly: string) {
  const [minutes, setMinutes] = useKept("unzo.drying");
  const given = minutes.trim() === "" ? USUAL_DRYING : Number(minutes.replace(",", "."));
  const isGood = given > 0 && given <= MOST;
  const seconds = Math.round(60 * (isGood ? given : USUAL_DRYING));
  const body = waitingBody({ id: dryingOf(assembly), words: say.drying }, seconds, assembly, "locked");
  return { minutes, setMinutes, isGood, body };
}

/** Waits as long as the label says, as a timer that is seen wherever one is. */
export function DryingTimer({ job, assembly, busy, onLog }: Omit<RepairProps, "machine">) {
  const { minutes, setMinutes, isGood, body } = useDrying(assembly);
  const waits = job.work.waits.some((w) => w.body.wait === body.wait);
  return (
    <div className="drying d-flex gap-2 align-items-center d-print-none">
      <Form.Label htmlFor={`drying-${assembly}`} className="mb-0">
        {say.minutesOnTheLabel}
      </Form.Label>
      <Form.Control
        id={`drying-${assembly}`}
        value={minutes}
        placeholder={String(USUAL_DRYING)}
        inputMode="decimal"
        maxLength={6}
        isInvalid={!isGood}
        onChange={(e) => setMinutes(e.target.value)}
      />
      <Button
        variant="outline-dark"
        disabled={busy || !(waits || isGood)}
        onClick={() => void onLog(waits ? waitedBody(body.wait) : body)}
      >
        {waits ? say.dry : say.start}
      </Button>
    </div>
  );
}
