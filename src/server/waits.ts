import { and, asc, count, eq } from "drizzle-orm";
import type { z } from "zod";
import { type Care, SHOP_STREAM } from "../core/journal";
import type { beginWaitSchema, endWaitSchema, OpenWait } from "../contract/waits";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { Refusal } from "./refusal";
import { jobs, units, waits } from "./schema";
import { appendToShop } from "./streams";
import { say } from "#words/server";

/** Waits told at once. */
const MOST = 100;

/** What is waited for in open jobs and in the shop, the soonest first, and how many more there are. */
export async function openWaits(): Promise<{ readonly waits: readonly OpenWait[]; readonly more: number }> {
  const rows = await database()
    .select({
      job: jobs.id,
      site: units.site,
      wait: waits.wait,
      words: waits.words,
      assembly: waits.piece,
      due: waits.due,
      care: waits.care,
    })
    .from(waits)
    .leftJoin(jobs, eq(waits.job, jobs.id))
    .leftJoin(units, eq(jobs.unit, units.id))
    .orderBy(asc(waits.due))
    .limit(MOST);
  const [all] = rows.length < MOST ? [{ n: rows.length }] : await database().select({ n: count() }).from(waits);
  return {
    waits: rows.map((r) => ({ ...r, care: r.care as Care | null, due: r.due.toISOString() })),
    more: all!.n - rows.length,
  };
}

/** Begins a wait that belongs to no job. The same id is taken once. */
export async function beginWait(input: z.output<typeof beginWaitSchema>, now: Date): Promise<{ wait: string }> {
  refuseWhenFull();
  const { id, actor, ...body } = input;
  await inTransaction(async (tx) => {
    await appendToShop(tx, { id, v: 1, actor, body: { type: "waiting", ...body } }, now);
    const row = {
      words: body.words,
      piece: null,
      begun: now,
      due: new Date(now.getTime() + 1000 * body.seconds),
      care: body.care,
    };
    await tx
      .insert(waits)
      .values({ job: SHOP_STREAM, wait: body.wait, ...row })
      .onDuplicateKeyUpdate({ set: row });
  });
  return { wait: body.wait };
}

/** Ends one. Throws a `Refusal` for one that is not waited for. */
export async function endWait(
  wait: string,
  { id, actor }: z.output<typeof endWaitSchema>,
  now: Date,
): Promise<{ wait: string }> {
  await inTransaction(async (tx) => {
    const isIt = and(eq(waits.job, SHOP_STREAM), eq(waits.wait, wait));
    const [row] = await tx.select({ wait: waits.wait }).from(waits).where(isIt).for("update");
    if (!row) throw new Refusal(404, say.thisIsNotWaitedFor);
    await appendToShop(tx, { id, v: 1, actor, body: { type: "waited", wait } }, now);
    await tx.delete(waits).where(isIt);
  });
  return { wait };
}
