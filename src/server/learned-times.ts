import { desc, eq } from "drizzle-orm";
import { learnTimes, type Times } from "../core/diagnose";
import { stepsOf } from "../core/journal";
import { database, inTransaction } from "./db";
import { journalsOf } from "./journals";
import { machineByHash } from "./machine-store";
import { jobs, learnedTimes, units } from "./schema";
import { bodyOf } from "./streams";

/** Jobs from which times are learned, the newest first. */
const LEARNED_FROM = 60;

/** What moves on a type of machine have taken in this shop, as last worked out. */
export async function timesOn(machine: string): Promise<Times> {
  const [row] = await database().select().from(learnedTimes).where(eq(learnedTimes.machine, machine));
  return row ? ((typeof row.times === "string" ? JSON.parse(row.times) : bodyOf({ body: row.times })) as Times) : {};
}

/** Works out the times of a type of machine anew, from the journals of its last jobs, and keeps them. */
export async function learnTimesOf(machine: string, now: Date): Promise<Times> {
  const rows = await database()
    .select({ id: jobs.id, hash: jobs.machineHash })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .where(eq(units.machine, machine))
    .orderBy(desc(jobs.openedAt))
    .limit(LEARNED_FROM);
  const journals = await journalsOf(rows.map((r) => r.id));
  const steps = [];
  for (const row of rows)
    steps.push(
      ...stepsOf(
        (await machineByHash(row.hash)).machine,
        journals.get(row.id)!.events,
        (at) => Date.parse(at) / 60_000,
      ),
    );
  const times = learnTimes(steps);
  await inTransaction((tx) =>
    tx
      .insert(learnedTimes)
      .values({ machine, times, at: now })
      .onDuplicateKeyUpdate({ set: { times, at: now } }),
  );
  return times;
}
