import { asc, eq, gt } from "drizzle-orm";
import type { ReadJournal } from "../core/journal";
import { database } from "./db";
import { journalsOf } from "./journals";
import { jobs, projections } from "./schema";

/** Journals read at once. */
const BATCH = 200;

/** A job with its journal, as a table that follows from journals is made from it. */
export interface Replayed {
  readonly id: string;
  readonly no: number;
  readonly hash: string;
  readonly unit: string;
  readonly journal: ReadJournal;
}

/** Every job of the shop with its journal, some at a time, in the order of their numbers. */
export async function* everyJournal(): AsyncGenerator<readonly Replayed[]> {
  for (let last = 0; ;) {
    const rows = await database()
      .select({ id: jobs.id, no: jobs.no, hash: jobs.machineHash, unit: jobs.unit })
      .from(jobs)
      .where(gt(jobs.no, last))
      .orderBy(asc(jobs.no))
      .limit(BATCH);
    if (rows.length === 0) return;
    const journals = await journalsOf(rows.map((r) => r.id));
    yield rows.map((row) => ({ ...row, journal: journals.get(row.id)! }));
    last = rows.at(-1)!.no;
  }
}

/** Whether a table that follows from journals was made by today's way of reading them. */
export async function isCurrent(name: string, version: number): Promise<boolean> {
  const [known] = await database().select().from(projections).where(eq(projections.name, name));
  return known?.version === version;
}

/** Writes down by which way of reading a table was made. */
export async function markCurrent(name: string, version: number): Promise<void> {
  await database().insert(projections).values({ name, version }).onDuplicateKeyUpdate({ set: { version } });
}
