"use client";

import Link from "next/link";
import type { DayJob } from "../../contract/day";
import type { Placed } from "../../core/plan-day";
import type { WhyFirst } from "../../workers/day-desk";
import { clockTime } from "../shell/time";
import { useKept } from "../shell/useKept";
import { Crew } from "./Crew";
import { DayLine } from "./DayLine";
import { JobTimes, WhenWords } from "./JobTimes";
import { type PlannedDay, useDay } from "./useDay";
import { say } from "#words/ui/day";

/** What hands do now, why, and the order of the day behind it. */
export function HandsNow() {
  const { day, pin } = useDay();
  const [who] = useKept("unzo.who");
  if (!day)
    return (
      <section className="hands-now" aria-label={say.today}>
        <h2>{say.today}</h2>
        <p className="quiet mb-0" role="status">
          {say.planning}
        </p>
      </section>
    );
  return (
    <section className="hands-now" aria-label={say.today}>
      <h2>{say.today}</h2>
      {handsOf(day, who).map((hands) => (
        <Hands key={hands.name} day={day} {...hands} />
      ))}
      <DayLine day={day} onPin={pin} />
      <Crew key={JSON.stringify(day.ahead.crew)} known={day.ahead.crew} />
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

interface HandsOf {
  /** Empty where there is one pair of hands. */
  readonly name: string;
  /** What they do first, and what after that on another unit. */
  readonly first: Placed | undefined;
  readonly next: Placed | undefined;
}

/** What each pair of hands does, one's own first. */
function handsOf({ plan, names }: PlannedDay, who: string): readonly HandsOf[] {
  const people = names.length > 0 ? names : [""];
  return people
    .map((name, person): HandsOf => {
      const own = plan.placed.filter((p) => p.block.hands > 0 && p.person === person);
      return { name, first: own[0], next: own.find((p) => p.block.unit !== own[0]?.block.unit) };
    })
    .sort((a, b) => Number(b.name === who.trim()) - Number(a.name === who.trim()));
}

function Hands({ day, name, first, next }: HandsOf & { readonly day: PlannedDay }) {
  return (
    <div className="hands-of">
      {name ? <h3>{name}</h3> : null}
      {first && first.start < 1 ? (
        <Now day={day} first={first} />
      ) : (
        <p>{name ? say.nothingForThem(name) : say.nothingNow}</p>
      )}
      {next ? (
        <p className="quiet mb-2">
          {say.thenNext(`${day.jobs[next.block.unit]!.site}, ${day.jobs[next.block.unit]!.machine}`)}
        </p>
      ) : null}
    </div>
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
      <p className="hands-why mb-0">
        {job.over >= 1 ? <strong className="d-block">{say.runsOver(job.over)}</strong> : null}
        {day.why?.unit === first.block.unit ? whyWords(day, day.why, job) : say.whyFree}
      </p>
    </div>
  );
}

/** Why this one now, in a sentence. */
function whyWords({ jobs, pins }: PlannedDay, why: WhyFirst, job: DayJob): string {
  if (pins.length > 0) return say.whyHeld;
  if (job.expected !== undefined && job.visitAt !== null) return say.whyVisit(clockTime(job.visitAt));
  if (why.instead === null) return say.whyOnly;
  const other = `${jobs[why.instead]!.site}, ${jobs[why.instead]!.machine}`;
  if (why.isPromised && job.promisedAt !== null) return say.whyPromised(clockTime(job.promisedAt));
  if (why.waits >= 5) return say.whyWaits(why.waits);
  return why.dearer >= 1 ? say.whyShort(other, why.dearer) : say.whyEven(other);
}
