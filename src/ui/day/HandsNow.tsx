"use client";

import Link from "next/link";
import type { Placed } from "../../core/plan-day";
import { clockTime } from "../shell/time";
import { DayLine } from "./DayLine";
import { JobTimes, WhenWords } from "./JobTimes";
import { type PlannedDay, useDay } from "./useDay";
import { say } from "#words/ui/day";

/** What hands do now, why, and the order of the day behind it. */
export function HandsNow() {
  const { day, pin } = useDay();
  if (!day)
    return (
      <section className="hands-now" aria-label={say.today}>
        <h2>{say.today}</h2>
        <p className="quiet mb-0" role="status">
          {say.planning}
        </p>
      </section>
    );
  const first = day.plan.placed.find((p) => p.block.hands > 0);
  const next = day.plan.placed.find((p) => p.block.hands > 0 && p.block.unit !== first?.block.unit);
  return (
    <section className="hands-now" aria-label={say.today}>
      <h2>{say.today}</h2>
      {first && first.start < 1 ? <Now day={day} first={first} /> : <p>{say.nothingNow}</p>}
      {next ? <p className="quiet mb-2">{say.thenNext(day.jobs[next.block.unit]!.site)}</p> : null}
      <DayLine day={day} onPin={pin} />
      {day.later.length > 0 ? (
        <>
          <p className="mb-0">{say.later}</p>
          <ul className="day-later">
            {day.later.map((job) => (
              <li key={job.id}>
                <JobTimes job={job} />
                <span>
                  <Link href={job.place}>{job.site}</Link>{" "}
                  <span className="quiet" suppressHydrationWarning>
                    {job.machine}
                    <WhenWords job={job} />
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </section>
  );
}

function Now({ day, first }: { readonly day: PlannedDay; readonly first: Placed }) {
  const job = day.jobs[first.block.unit]!;
  const what = first.block.steps.filter((s) => s.care !== "leave" && s.care !== "locked").map((s) => s.words);
  return (
    <div className="hands-first">
      <p className="mb-1">
        <strong className="hands-site">{job.site}</strong> <span className="quiet">{job.machine}</span>
        <br />
        {[...new Set(what)].join(", ")}, <span className="value">{say.minutes(first.block.hands)}</span>
        {job.complaint ? <span className="quiet d-block">{job.complaint}</span> : null}
      </p>
      <Link className="btn btn-primary btn-lg" href={job.place}>
        {say.goOn}
      </Link>
      <p className="hands-why mb-0">{whyWords(day, job.promisedAt)}</p>
    </div>
  );
}

/** Why this one now, in a sentence. */
function whyWords({ why, jobs, pins }: PlannedDay, promisedAt: string | null): string {
  if (pins.length > 0) return say.whyHeld;
  if (!why || why.instead === null) return say.whyOnly;
  const site = jobs[why.instead]!.site;
  if (why.isPromised && promisedAt !== null) return say.whyPromised(clockTime(promisedAt));
  if (why.waits >= 5) return say.whyWaits(why.waits);
  return why.dearer >= 1 ? say.whyShort(site, why.dearer) : say.whyEven(site);
}
