"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import { droppedBody, type EventBody } from "../../core/journal";
import { ReasonDialog } from "../shell/ReasonDialog";
import { say } from "#words/ui/job/DropJob";

interface Props {
  readonly problem: string;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** For a job that was opened by mistake: it is dropped with a reason, and nothing is erased. */
export function DropJob({ problem, onLog }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <section className="drop-job" aria-label={say.openedByMistake}>
      <Button size="sm" variant="link" onClick={() => setOpen(true)}>
        {say.openedByMistakeDropThis}
      </Button>
      <ReasonDialog
        show={open}
        title={say.dropThisJob}
        does={say.dropTheJob}
        problem={problem}
        onHide={() => setOpen(false)}
        onReason={(reason) => onLog(droppedBody(reason))}
      >
        {say.itLeavesTheOpenJobs}
      </ReasonDialog>
    </section>
  );
}
