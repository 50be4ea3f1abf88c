"use client";

import type { Job } from "../../core/journal";
import type { MachineFile } from "../../core/model";
import { serialWords } from "../unit/plate";
import { dateWithYear } from "./time";
import { say } from "#words/ui/shell";

/** What every sheet of paper of a job begins with; not on the screen. */
export function PrintHead({
  job,
  file,
  title,
}: {
  readonly job: Job;
  readonly file: MachineFile;
  readonly title: string;
}) {
  return (
    <header className="print-head">
      <p className="h1">{title}</p>
      <p suppressHydrationWarning>
        {say.jobOfPrinted(
          file.maker,
          file.model,
          serialWords(job.opened.serial),
          job.opened.site,
          job.id.slice(0, 8),
          dateWithYear(job.opened.at),
          dateWithYear(new Date().toISOString()),
        )}
      </p>
    </header>
  );
}
