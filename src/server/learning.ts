import { eq } from "drizzle-orm";
import { log } from "../log";
import { database } from "./db";
import { learnOdds } from "./learned-odds";
import { learnTimesOf } from "./learned-times";
import { jobs, units } from "./schema";

/** Jobs that were closed, and whether it is known anew of any repair if it held. */
const due = { closed: new Set<string>(), odds: false };
let working: Promise<void> = Promise.resolve();

/** Learns from a job that was just closed, after the answer is given. */
export function learnWhenClosed(job: string): void {
  due.closed.add(job);
  learnWhetherHeld();
}

/** Learns from what is newly known of whether repairs held, after the answer is given. */
export function learnWhetherHeld(): void {
  due.odds = true;
  working = working.then(learnWhatIsDue);
}

/** One thing after the other; what came together is learned from once. */
async function learnWhatIsDue(): Promise<void> {
  const closed = [...due.closed];
  const isOdds = due.odds;
  due.closed.clear();
  due.odds = false;
  try {
    for (const job of closed) {
      const [row] = await database()
        .select({ machine: units.machine })
        .from(jobs)
        .innerJoin(units, eq(jobs.unit, units.id))
        .where(eq(jobs.id, job));
      if (row) await learnTimesOf(row.machine, new Date());
    }
    if (isOdds) await learnOdds(new Date());
  } catch (error) {
    // What was learned before stays; the next closed job learns anew.
    log().error({ err: error }, "Nothing was learned from a closed job");
  }
}

/** Resolves when what was closed so far has been learned from; for scripts and tests. */
export function learned(): Promise<void> {
  return working;
}
