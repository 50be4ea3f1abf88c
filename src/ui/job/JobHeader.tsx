import Link from "next/link";
import { Suspense } from "react";
import Form from "react-bootstrap/Form";
import type { UnitRecord } from "../../contract/units";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { serialWords } from "../unit/plate";
import { UnitMarks } from "../unit/UnitMarks";
import { UnitPower } from "../unit/UnitPower";
import { PageTitle } from "../shell/PageTitle";
import { SkipLink } from "../shell/SkipLink";

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
    <header className="bar">
      <PageTitle of={`${job.opened.site}, ${machine.file.maker} ${machine.file.model}`} />
      <SkipLink />
      <Link href="/" className="home" aria-label="All jobs">
        <i className="bi bi-arrow-left" aria-hidden />
      </Link>
      <h1>{job.opened.site}</h1>
      <span>
        {machine.file.maker} {machine.file.model}, <Link href={`/units/${unit}`}>{serialWords(job.opened.serial)}</Link>
      </span>
      <Suspense>
        <UnitMarks unit={record} />
      </Suspense>
      {job.opened.complaintWords ? <q>{job.opened.complaintWords}</q> : null}
      <span className="standing">
        <i
          className={`bi ${machine.setupById.get(job.setup)?.power === "on" ? "bi-plug-fill" : "bi-plug"}`}
          aria-hidden
        />
        <Form.Select
          size="sm"
          aria-label="How the unit stands now"
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
        <span className="covers">
          {job.openPanels.length === 0
            ? "all covers on"
            : `${job.openPanels.length} cover${job.openPanels.length === 1 ? "" : "s"} off`}
        </span>
      </span>
      <Suspense>
        <UnitPower unit={record} job={job} machine={machine} busy={busy} onTake={(setup) => onStand(setup)} />
      </Suspense>
    </header>
  );
}
