import { createHash } from "node:crypto";
import { setImmediate } from "node:timers/promises";
import { and, desc, eq, inArray, isNotNull, sql } from "drizzle-orm";
import type { z } from "zod";
import {
  type CauseOdds,
  causeOdds,
  causeSeen,
  gathered,
  holdOdds,
  oddsByPart,
  optionSeen,
  saidOdds,
} from "../core/learn";
import { SHOP_STREAM, shopEventSchema } from "../core/journal";
import { canonicalJson, type Machine } from "../core/model";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { newestMachine } from "./machine-store";
import { outcomeIn } from "./outcomes";
import { events, machineHeads, odds, oddsHeads, outcomes, units } from "./schema";
import { appendToShop, bodyOf } from "./streams";
import type { resetOddsSchema, ShopOdds } from "../contract/odds";

/** Closed repairs that are learned from, the newest first: older ones are all but forgotten. */
const LEARNED_FROM = 20_000;

/** Since when each machine is learned from anew. */
async function resets(): Promise<ReadonlyMap<string, number>> {
  const rows = await database()
    .select({ body: events.body, at: events.at })
    .from(events)
    .where(and(eq(events.stream, SHOP_STREAM), eq(events.type, "odds reset")))
    .orderBy(events.seq);
  return new Map(
    rows.flatMap((row) => {
      const body = shopEventSchema.safeParse(bodyOf(row));
      return body.success && body.data.type === "odds reset" ? [[body.data.machine, row.at.getTime()] as const] : [];
    }),
  );
}

/** What closed repairs taught, newest first; none of those before a machine was begun anew. */
async function lessons(now: Date) {
  const since = await resets();
  const rows = await database()
    .select()
    .from(outcomes)
    .where(isNotNull(outcomes.part))
    .orderBy(desc(outcomes.closedAt))
    .limit(LEARNED_FROM);
  const told = rows.map(outcomeIn).filter(({ outcome }) => outcome.closedAt > (since.get(outcome.machine) ?? 0));
  return {
    causes: gathered(
      told.flatMap(({ outcome, held }) => causeSeen(outcome, held) ?? []),
      now.getTime(),
    ),
    options: told.flatMap(({ outcome, held }) => optionSeen(outcome, held) ?? []),
  };
}

type Lessons = Awaited<ReturnType<typeof lessons>>;

/** What is known of a machine's causes: what its file says, what the shop has seen, what is used. */
async function reckoned(machine: Machine, { causes, options }: Lessons, now: Date) {
  const seenOn = [...new Set(causes.map((c) => c.machine))];
  const known = seenOn.length === 0 ? [] : await headsAmong(seenOn);
  const others = [];
  for (const id of known) others.push(saidOdds((await newestMachine(id)).machine));
  const own = causeOdds(saidOdds(machine), causes, others, now.getTime());
  return { own, holds: holdOdds(options, now.getTime()), isAny: causes.length + options.length > 0 };
}

async function headsAmong(machines: readonly string[]): Promise<readonly string[]> {
  const rows = await database()
    .select({ machine: machineHeads.machine })
    .from(machineHeads)
    .where(inArray(machineHeads.machine, [...machines]));
  return rows.map((r) => r.machine);
}

/** Works out anew what new jobs are made with, on every machine that the shop has units of. */
export async function learnOdds(now: Date): Promise<void> {
  const taught = await lessons(now);
  const [known] = await database().select({ machine: oddsHeads.machine }).from(oddsHeads).limit(1);
  if (taught.causes.length + taught.options.length === 0 && !known) return;
  const rows = await database().selectDistinct({ machine: units.machine }).from(units);
  for (const { machine } of rows) {
    await keepOdds(machine, taught, now);
    // A machine that is compiled for it takes its time: whoever waits for an answer comes first.
    await setImmediate();
  }
}

/** Works out anew what new jobs on a machine are made with, and keeps it. Answers with its hash; null: its file's. */
async function keepOdds(machineId: string, taught: Lessons, now: Date): Promise<string | null> {
  const { machine } = await newestMachine(machineId);
  const { own, holds, isAny } = await reckoned(machine, taught, now);
  if (!isAny) {
    await inTransaction((tx) => tx.delete(oddsHeads).where(eq(oddsHeads.machine, machineId)));
    return null;
  }
  const body = canonicalJson({ causes: oddsByPart(machine, own), holds });
  const hash = createHash("sha256").update(body).digest("hex");
  await inTransaction(async (tx) => {
    await tx.insert(odds).ignore().values({ hash, body });
    await tx
      .insert(oddsHeads)
      .values({ machine: machineId, hash, at: now })
      .onDuplicateKeyUpdate({ set: { hash, at: now } });
  });
  return hash;
}

/** Causes shown of a machine, those that the shop has moved most first. */
const SHOWN = 12;

/** What a machine's file says of its causes, what this shop has seen of them, and what is used now. */
export async function shopOdds(machineId: string, now: Date): Promise<ShopOdds> {
  const { machine } = await newestMachine(machineId);
  const { own, isAny } = await reckoned(machine, await lessons(now), now);
  const nameOf = ({ part, mode }: CauseOdds) => {
    const known = machine.partById.get(part)!;
    return `${known.name}: ${known.modes.find((m) => m.id === mode)!.words}`;
  };
  const moved = (c: CauseOdds) => Math.abs(c.used - c.said);
  const [counted] = await database()
    .select({ n: sql<number>`COUNT(*)` })
    .from(outcomes)
    .where(eq(outcomes.machine, machineId));
  const reset = (await resets()).get(machineId);
  return {
    jobs: Number(counted!.n),
    reset: reset === undefined ? null : new Date(reset).toISOString(),
    rows: isAny
      ? [...own]
          .sort((a, b) => moved(b) - moved(a))
          .slice(0, SHOWN)
          .filter((c) => moved(c) > 1e-4)
          .map((c) => ({ name: nameOf(c), said: c.said, seen: c.seen, elsewhere: c.elsewhere, used: c.used }))
      : [],
  };
}

/** Begins anew with what a machine's file says. Closed jobs stay as they are. */
export async function resetOdds(
  machineId: string,
  input: z.output<typeof resetOddsSchema>,
  now: Date,
): Promise<ShopOdds> {
  refuseWhenFull();
  await newestMachine(machineId);
  const { id, actor } = input;
  await inTransaction((tx) =>
    appendToShop(tx, { id, v: 1, actor, body: { type: "odds reset", machine: machineId } }, now),
  );
  await keepOdds(machineId, await lessons(now), now);
  return shopOdds(machineId, now);
}
