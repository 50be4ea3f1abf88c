import { asc, eq } from "drizzle-orm";
import { database } from "./db";
import { jobs, units, waits } from "./schema";

/** Something that is waited for, wherever one is. */
export interface OpenWait {
  readonly job: string;
  readonly site: string;
  readonly wait: string;
  readonly words: string;
  /** The piece whose repair it belongs to, where the journal says. */
  readonly piece: string | null;
  /** When it is due, ISO 8601. */
  readonly due: string;
}

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
      piece: waits.piece,
      due: waits.due,
    })
    .from(waits)
    .innerJoin(jobs, eq(waits.job, jobs.id))
    .innerJoin(units, eq(jobs.unit, units.id))
    .orderBy(asc(waits.due))
    .limit(MOST);
  return rows.map((r) => ({ ...r, due: r.due.toISOString() }));
}
