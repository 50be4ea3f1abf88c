import Link from "next/link";
import { Suspense } from "react";
import Form from "react-bootstrap/Form";
import type { UnitRecord } from "../../contract/units";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { serialWords } from "../unit/plate";
import { UnitMarks } from "../unit/UnitMarks";
import { PageTitle } from "../shell/PageTitle";
import { SkipLink } from "../shell/SkipLink";
import { kindWords } from "./kind-words";
import { say } from "#words/ui/job/JobHeader";

interface Props {
  readonly job: Job;
  readonly machine: Machine;
  readonly unit: string;
  /** What stays with the unit from job to job; it may come later than the job. */
  readonly record: Promise<UnitRecord>;
  readonly busy: boolean;
  readonly onStand: (setup: string) => void;
}

/** Which unit the job is on, what is complained of, and how the unit stands now. */
export function JobHeader({ job, machine, unit, record, busy, onStand }: Props) {
  return (
    <header className="bar job-bar">
      <PageTitle of={`${job.opened.site}, ${machine.file.maker} ${machine.file.model}`} />
      <SkipLink />
      <Link href="/" className="home" aria-label={say.allJobs}>
        <i className="bi bi-arrow-left" aria-hidden />
      </Link>
      <div className="unit-name">
        <h1>{job.opened.site}</h1>
        <span>
          {machine.file.maker} {machine.file.model},{" "}
          <Link href={`/units/${unit}`}>{serialWords(job.opened.serial)}</Link>
        </span>
      </div>
      <Suspense>
        <UnitMarks unit={record} />
      </Suspense>
      {job.opened.complaintWords ? <q>{job.opened.complaintWords}</q> : null}
      {job.opened.kind === "repair" ? null : (
        <Link href={`/jobs/${job.id}/repair`}>{kindWords(job.opened.kind, job.opened.purpose, machine.file)}</Link>
      )}
      <span className="standing">
        <i
          className={`bi ${machine.setupById.get(job.setup)?.power === "on" ? "bi-plug-fill" : "bi-plug"}`}
          aria-hidden
        />
        <Form.Select
          size="sm"
          aria-label={say.stateOfTheUnit}
          value={job.setup}
          disabled={busy}
          onChange={(e) => onStand(e.target.value)}
        >
          {[...machine.setupById.values()].map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </Form.Select>
        <span className="covers">{coversWords(job.openPanels.length)}</span>
      </span>
    </header>
  );
}

/** How many covers are off, in words. */
export function coversWords(off: number): string {
  if (off === 0) return say.allCoversOn;
  return off === 1 ? say.coverOff : say.offCoversOff(off);
}
