"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import { droppedBody, type EventBody } from "../../core/journal";
import { ReasonDialog } from "../shell/ReasonDialog";

interface Props {
  readonly problem: string;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** For a job that was opened by mistake: it is dropped with a reason, and nothing is erased. */
export function DropJob({ problem, onLog }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <section className="drop-job" aria-label="Opened by mistake">
      <Button size="sm" variant="link" onClick={() => setOpen(true)}>
        Opened by mistake? Drop this job
      </Button>
      <ReasonDialog
        show={open}
        title="Drop this job?"
        does="Drop the job"
        problem={problem}
        onHide={() => setOpen(false)}
        onReason={(reason) => onLog(droppedBody(reason))}
      >
        It leaves the open jobs and counts for nothing. What was entered stays on record.
      </ReasonDialog>
    </section>
  );
}
