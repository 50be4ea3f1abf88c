"use client";

import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { say } from "#words/ui/shell";

/** The job one came from, by `from` or `job` in the address; null where one did not come from a job. */
export function useFromJob(): string | null {
  const asked = useSearchParams();
  return asked.get("from") ?? asked.get("job");
}

/** The way back to the job one came from. */
export function BackToJob() {
  const job = useFromJob();
  if (!job) return null;
  return (
    <Link className="btn btn-outline-light btn-sm" href={`/jobs/${encodeURIComponent(job)}`}>
      <i className="bi bi-arrow-left" aria-hidden /> {say.backToTheJob}
    </Link>
  );
}
