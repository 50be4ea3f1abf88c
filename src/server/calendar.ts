import { and, asc, eq, isNotNull, isNull, or } from "drizzle-orm";
import ical, { ICalCalendarMethod, ICalEventTransparency } from "ical-generator";
import { database } from "./db";
import { followUps } from "./outcomes";
import { jobs, machines, units } from "./schema";
import { openWaits } from "./waits";
import { say } from "#words/server/calendar";

/** Entries of a kind at most. */
const MOST = 500;
const DAY = 86_400_000;
/** A moment is shown as long as this, minutes. */
const MOMENT = 15;

/**
 * What is due, as a calendar (RFC 5545): promised times, visits, waits, and when it is asked whether a repair held. Each
 * keeps its name from one reading to the next, so that a calendar that reads it again changes what it has. `url` is
 * where Unzo is found.
 */
export async function calendar(now: Date, url: string): Promise<string> {
  const made = ical({ name: say.name, prodId: { company: "Unzo", product: "Unzo", language: "EN" } });
  made.method(ICalCalendarMethod.PUBLISH);
  made.ttl(15 * 60);
  for (const job of await openWithTimes()) {
    const place = { location: job.site, url: `${url}/jobs/${job.id}` };
    const what = `${job.machineName}: ${job.complaint ?? say.noComplaint}`;
    if (job.promisedAt)
      made.createEvent({
        id: `${job.id}-promised@unzo`,
        start: job.promisedAt,
        end: new Date(job.promisedAt.getTime() + MOMENT * 60_000),
        stamp: now,
        summary: say.promised(job.site),
        description: what,
        ...place,
      });
    if (job.visitAt)
      made.createEvent({
        id: `${job.id}-visit@unzo`,
        start: job.visitAt,
        end: new Date(job.visitAt.getTime() + Math.max(MOMENT, job.visitMinutes ?? 0) * 60_000),
        stamp: now,
        summary: say.visit(job.site),
        description: what,
        ...place,
      });
  }
  for (const w of (await openWaits()).waits)
    made.createEvent({
      id: `${w.job ?? "shop"}-${idPart(w.wait)}@unzo`,
      start: new Date(w.due),
      end: new Date(Date.parse(w.due) + MOMENT * 60_000),
      stamp: now,
      summary: say.wait(w.words),
      location: w.site,
      url: w.job ? `${url}/jobs/${w.job}` : `${url}/`,
    });
  // What is asked in the days to come too: the list asks what is due by then.
  for (const f of await followUps(new Date(now.getTime() + 60 * DAY), MOST))
    made.createEvent({
      id: `${f.job}-held@unzo`,
      start: new Date(f.dueAt),
      allDay: true,
      stamp: now,
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: say.held(f.site),
      description: [f.result, f.complaint].filter((w) => w !== null).join(": "),
      location: f.site,
      url: `${url}/jobs/${f.job}/record`,
    });
  return made.toString();
}

/** A name without what a calendar could stumble over. */
const idPart = (name: string) => Buffer.from(name, "utf8").toString("base64url").slice(0, 60);

async function openWithTimes() {
  return database()
    .select({
      id: jobs.id,
      complaint: jobs.complaint,
      promisedAt: jobs.promisedAt,
      visitAt: jobs.visitAt,
      visitMinutes: jobs.visitMinutes,
      site: units.site,
      machineName: machines.name,
    })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .innerJoin(machines, eq(jobs.machineHash, machines.hash))
    .where(and(isNull(jobs.closedAt), or(isNotNull(jobs.promisedAt), isNotNull(jobs.visitAt))))
    .orderBy(asc(jobs.openedAt))
    .limit(MOST);
}
