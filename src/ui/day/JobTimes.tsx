"use client";

import Link from "next/link";
import { useState } from "react";
import type { DayJob } from "../../contract/day";
import { clockTime, isSameDay, shortDate } from "../shell/time";
import { TimesDialog } from "./TimesDialog";
import { say } from "#words/ui/day";

/** A moment of today as a clock says it, of another day with its date. */
const when = (iso: string) =>
  isSameDay(iso, new Date().toISOString()) ? clockTime(iso) : `${shortDate(iso)}, ${clockTime(iso)}`;

/** When a job is promised and when one drives there; nothing where nobody has said. */
export function WhenWords({ job }: { readonly job: DayJob }) {
  return (
    <>
      {job.promisedAt ? `, ${say.promised(when(job.promisedAt))}` : ""}
      {job.visitAt ? (
        <>
          {", "}
          <Link href={`/jobs/${job.id}/visit`}>{say.visitAt(when(job.visitAt))}</Link>
        </>
      ) : null}
    </>
  );
}

/** The key behind which both are said. */
export function JobTimes({ job }: { readonly job: DayJob }) {
  const [asks, setAsks] = useState(false);
  return (
    <>
      <button type="button" className="day-grip" aria-label={say.times(job.site)} onClick={() => setAsks(true)}>
        <i className="bi bi-clock" aria-hidden />
      </button>
      {asks ? <TimesDialog job={job} onHide={() => setAsks(false)} /> : null}
    </>
  );
}
