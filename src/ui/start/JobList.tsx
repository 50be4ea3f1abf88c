"use client";

import Link from "next/link";
import type { JobRow } from "../../contract/jobs";
import { clockTime, dayName, shortDate } from "../shell/time";
import { serialWords } from "../unit/plate";
import { KIND_WORDS } from "#words/job";
import { jobAddress } from "../shell/job-address";
import { say } from "#words/ui/start";

/** Jobs, each with where, what and how far. */
export function JobList({ jobs }: { jobs: readonly JobRow[] }) {
  return (
    <ul className="jobs">
      {jobs.map((job) => (
        <li key={job.id}>
          <Link href={jobAddress({ ...job, open: job.closedAt === null })} prefetch={false}>
            <span className={`state-mark ${stateOf(job)}`} aria-hidden />
            <span className="job-text">
              <strong>{job.site}</strong>{" "}
              <span className="quiet">
                {job.machineName}, {serialWords(job.serial)}
              </span>
              <span className="job-complaint">{job.complaint ?? KIND_WORDS[job.kind]}</span>
            </span>
            <span className="job-state">
              {job.result ?? (job.readings === 0 ? say.notBegun : say.readings(job.readings))}
              <span className="quiet">
                {job.actor},{" "}
                <time dateTime={job.openedAt} suppressHydrationWarning>
                  {job.closedAt === null ? dayName(job.openedAt) : shortDate(job.openedAt)} {clockTime(job.openedAt)}
                </time>
              </span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

function stateOf(job: JobRow): "closed" | "under-way" | "untouched" {
  if (job.closedAt !== null) return "closed";
  if (job.readings > 0) return "under-way";
  return "untouched";
}
