"use client";

import type { TrailReading } from "../../core/journal";
import { ReasonDialog } from "../shell/ReasonDialog";
import { say } from "#words/ui/job/StrikeDialog";

interface Props {
  readonly reading: TrailReading | null;
  readonly problem: string;
  readonly onHide: () => void;
  readonly onStrike: (event: string, reason: string) => Promise<boolean>;
}

/** Asks why a reading does not count. */
export function StrikeDialog({ reading, problem, onHide, onStrike }: Props) {
  return (
    <ReasonDialog
      key={reading?.id ?? ""}
      show={reading !== null}
      title={say.strikeOutShown(reading?.body.as.shown ?? "")}
      usual="misread"
      does={say.strikeOut}
      problem={problem}
      onHide={onHide}
      onReason={(reason) => (reading ? onStrike(reading.id, reason) : Promise.resolve(false))}
    >
      {reading?.body.as.title}
      {say.itStaysOnRecordCrossed}
    </ReasonDialog>
  );
}
