"use client";

import Link from "next/link";
import type { Meanwhile, Placed } from "../../core/plan-day";
import { clockTime } from "../shell/time";
import { useKept } from "../shell/useKept";
import { Crew } from "./Crew";
import { DayLine } from "./DayLine";
import { JobTimes, WhenWords } from "./JobTimes";
import { type PlannedDay, useDay } from "./useDay";
import { say } from "#words/ui/day";

/** What hands do now, why, and the order of the day behind it. */
export function HandsNow() {
  const { day, isLost, pin } = useDay();
  const [who] = useKept("unzo.who");
  if (!day)
    return (
      <section className="hands-now" aria-label={say.today}>
        <h2>{say.today}</h2>
        <p className="quiet mb-0" role="status">
          {isLost ? say.planLost : say.planning}
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
      <Crew known={day.ahead.crew} />
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
  /** What they can be on until then, where they are idle. */
  readonly meanwhile: Meanwhile | null;
}

/** What each pair of hands does, one's own first. */
function handsOf({ plan, names, meanwhile }: PlannedDay, who: string): readonly HandsOf[] {
  const people = names.length > 0 ? names : [""];
  return people
    .map((name, person): HandsOf => {
      const own = plan.placed.filter((p) => p.block.hands > 0 && p.person === person);
      const next = own.find((p) => p.block.unit !== own[0]?.block.unit);
      return { name, first: own[0], next, meanwhile: meanwhile[person] ?? null };
    })
    .sort((a, b) => Number(b.name === who.trim()) - Number(a.name === who.trim()));
}

function Hands({ day, name, first, next, meanwhile }: HandsOf & { readonly day: PlannedDay }) {
  const unit = (p: Placed) => `${day.jobs[p.block.unit]!.site}, ${day.jobs[p.block.unit]!.machine}`;
  const isNow = first !== undefined && first.start < 1;
  const begun = meanwhile && day.plan.placed.find((p) => p.block.unit === meanwhile.unit && p.block.hands > 0);
  const now = isNow ? first : begun;
  const then = isNow ? next : first;
  function why(): string {
    if (isNow) return whyWords(day, first);
    if (!first || !meanwhile) return say.whyFree;
    const until = new Date(Date.parse(day.ahead.at) + 60_000 * meanwhile.until);
    return say.whyMeanwhile(clockTime(until.toISOString()), unit(first));
  }
  return (
    <div className="hands-of">
      {name ? <h3>{name}</h3> : null}
      {now ? <Now day={day} first={now} why={why()} /> : <p>{name ? say.nothingForThem(name) : say.nothingNow}</p>}
      {then ? <p className="quiet mb-2">{say.thenNext(unit(then))}</p> : null}
    </div>
  );
}

interface NowProps {
  readonly day: PlannedDay;
  readonly first: Placed;
  readonly why: string;
}

function Now({ day, first, why }: NowProps) {
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
        {why}
      </p>
    </div>
  );
}

/** Why this one now, in a sentence. */
function whyWords({ jobs, pins, why }: PlannedDay, first: Placed): string {
  const job = jobs[first.block.unit]!;
  if (job.expected !== undefined && job.visitAt !== null) return say.whyVisit(clockTime(job.visitAt));
  if (why?.unit !== first.block.unit) return say.whyFree;
  if (pins.length > 0) return say.whyHeld;
  if (why.instead === null) return say.whyOnly;
  const other = `${jobs[why.instead]!.site}, ${jobs[why.instead]!.machine}`;
  if (why.isPromised && job.promisedAt !== null) return say.whyPromised(clockTime(job.promisedAt));
  if (why.waits >= 5) return say.whyWaits(why.waits);
  return why.dearer >= 1 ? say.whyShort(other, why.dearer) : say.whyEven(other);
}
