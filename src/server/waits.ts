import { asc, eq } from "drizzle-orm";
import { database } from "./db";
import { jobs, units, waits } from "./schema";
import type { OpenWait } from "../contract/jobs";

/** Waits told at once. */
const MOST = 100;

/** What is waited for in open jobs, the soonest first. */
export async function openWaits(): Promise<readonly OpenWait[]> {
  const rows = await database()
    .select({
      job: waits.job,
      site: units.site,
      wait: waits.wait,
      words: waits.words,
      assembly: waits.piece,
      due: waits.due,
    })
    .from(waits)
    .innerJoin(jobs, eq(waits.job, jobs.id))
    .innerJoin(units, eq(jobs.unit, units.id))
    .orderBy(asc(waits.due))
    .limit(MOST);
  return rows.map((r) => ({ ...r, due: r.due.toISOString() }));
}
