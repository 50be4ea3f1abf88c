import { eq } from "drizzle-orm";
import { z } from "zod";
import type { LearnedOdds } from "../core/learn";
import { database, type Database } from "./db";
import { odds, oddsHeads } from "./schema";

/** What a job or a machine learns from: which odds of failure, and how often repairs hold. */
const learnedSchema = z.object({
  causes: z.record(z.string(), z.record(z.string(), z.number())),
  holds: z.array(z.object({ option: z.string(), sort: z.string(), held: z.number(), cameBack: z.number() })),
});

/** Kept odds by their hash; null where there are none of it. */
export async function oddsBy(hash: string | undefined, db: Database = database()): Promise<LearnedOdds | null> {
  if (hash === undefined) return null;
  const [row] = await db.select({ body: odds.body }).from(odds).where(eq(odds.hash, hash));
  return row ? learnedSchema.parse(JSON.parse(row.body)) : null;
}

/** The odds that a new job on a machine is made with; undefined: those of its file. */
export async function oddsFor(machine: string, db: Database = database()): Promise<string | undefined> {
  const [row] = await db.select({ hash: oddsHeads.hash }).from(oddsHeads).where(eq(oddsHeads.machine, machine));
  return row?.hash;
}
