import { createHash } from "node:crypto";
import { and, asc, eq, gt, sql } from "drizzle-orm";
import { canonicalJson } from "../core/model";
import { SHOP_STREAM, type ShopEvent, shopEventSchema, type UnitEvent, unitEventSchema } from "../core/journal";
import type { KeptVersion } from "../contract/machines";
import type { Database, Tx } from "./db";
import { Refusal } from "./refusal";
import { events, streams } from "./schema";
import { say } from "#words/server";

/** An entry as it goes into a stream. */
export interface NewEntry {
  readonly id: string;
  readonly v: number;
  readonly actor: string;
  readonly body: { readonly type: string };
}

/** What a client sent, as a hash: the same entry sent twice has the same one. */
export function sentHash(stream: string, entry: NewEntry): string {
  const { id, v, actor, body } = entry;
  // The stream was called `job` when the first of these were made; the name inside the hash stays.
  return createHash("sha256")
    .update(canonicalJson({ job: stream, id, v, actor, body }))
    .digest("hex");
}

/**
 * Locks a stream for the rest of the transaction and says how many entries it has; null where there is none of that
 * kind.
 */
export async function lockStream(tx: Tx, id: string, kind: "job" | "unit" | "shop"): Promise<number | null> {
  const [row] = await tx
    .select({ kind: streams.kind, lastSeq: streams.lastSeq })
    .from(streams)
    .where(eq(streams.id, id))
    .for("update");
  return row?.kind === kind ? row.lastSeq : null;
}

/** Begins a stream without entries, held by this transaction. */
export async function beginStream(tx: Tx, id: string, kind: "job" | "unit" | "shop"): Promise<void> {
  await tx.insert(streams).values({ id, kind, lastSeq: 0 });
}

/** Writes the next entry of a stream whose row the caller holds. */
export async function writeEntry(tx: Tx, stream: string, seq: number, entry: NewEntry, now: Date): Promise<void> {
  const { id, v, actor, body } = entry;
  await tx.insert(events).values({
    id,
    stream,
    seq,
    v,
    type: body.type,
    actor,
    at: now,
    body: JSON.parse(JSON.stringify(body)) as unknown,
    sent: sentHash(stream, entry),
  });
  await tx.update(streams).set({ lastSeq: seq }).where(eq(streams.id, stream));
}

/**
 * The entry of that id, if it is the same one sent again; null where there is none. Throws a `Refusal` for another
 * one.
 */
export async function twinOf(tx: Tx, stream: string, entry: NewEntry): Promise<typeof events.$inferSelect | null> {
  const [twin] = await tx.select().from(events).where(eq(events.id, entry.id));
  if (!twin) return null;
  if (twin.sent !== sentHash(stream, entry)) throw new Refusal(409, say.anEventWithThisId);
  return twin;
}

/** Entries of a stream after a sequence number, in order, as they are stored. */
export function entriesOf(db: Database, stream: string, after = 0) {
  return db
    .select()
    .from(events)
    .where(and(eq(events.stream, stream), gt(events.seq, after)))
    .orderBy(asc(events.seq));
}

/** The body of a stored entry; the driver hands JSON over as text or parsed. */
export function bodyOf(row: { readonly body: unknown }): unknown {
  return typeof row.body === "string" ? (JSON.parse(row.body) as unknown) : row.body;
}

/** Adds an entry to the stream of the shop. */
export async function appendToShop(tx: Tx, entry: NewEntry & { readonly body: ShopEvent }, now: Date): Promise<void> {
  const lastSeq = await lockStream(tx, SHOP_STREAM, "shop");
  if (lastSeq === null) throw new Error(say.theDatabaseHasNoStream);
  if (await twinOf(tx, SHOP_STREAM, entry)) return;
  await writeEntry(tx, SHOP_STREAM, lastSeq + 1, { ...entry, body: shopEventSchema.parse(entry.body) }, now);
}

/** What came with a file that was offered in a pack; null for one that was not. */
export async function offeredWith(
  db: Database | Tx,
  machine: string,
  hash: string,
): Promise<Pick<Extract<ShopEvent, { type: "file offered" }>, "learned" | "pack"> | null> {
  const rows = await shopEntries(db, "file offered", machine);
  for (const row of rows.reverse()) {
    const parsed = shopEventSchema.safeParse(bodyOf(row));
    if (!parsed.success || parsed.data.type !== "file offered" || parsed.data.hash !== hash) continue;
    const { learned, pack } = parsed.data;
    return { ...(learned ? { learned } : {}), ...(pack ? { pack } : {}) };
  }
  return null;
}

/** The entries of a type in the stream of the shop that are about a machine, in order. */
const shopEntries = (db: Database | Tx, type: ShopEvent["type"], machine: string) =>
  db
    .select()
    .from(events)
    .where(
      and(
        eq(events.stream, SHOP_STREAM),
        eq(events.type, type),
        sql`json_unquote(json_extract(${events.body}, '$.machine')) = ${machine}`,
      ),
    )
    .orderBy(asc(events.seq));

/** How the versions of a machine came into use, by hash, from the stream of the shop; the last time counts. */
export async function keptVersions(db: Database, machine: string): Promise<ReadonlyMap<string, KeptVersion>> {
  const rows = await shopEntries(db, "file kept", machine);
  const kept = new Map<string, KeptVersion>();
  for (const row of rows) {
    const parsed = shopEventSchema.safeParse(bodyOf(row));
    if (!parsed.success || parsed.data.type !== "file kept") continue;
    const { hash, origin, job = null, learned = [], pack = null } = parsed.data;
    const before = kept.get(hash)?.learned ?? [];
    kept.set(hash, { by: row.actor, origin, job, learned: [...before, ...learned], pack });
  }
  return kept;
}

/** The readable entries of the stream of a unit, in order; one of a later program says nothing to this one. */
export async function unitEvents(db: Database, unit: string): Promise<readonly UnitEvent[]> {
  return (await entriesOf(db, unit)).flatMap((row) => {
    const parsed = unitEventSchema.safeParse(bodyOf(row));
    return row.v === 1 && parsed.success ? [parsed.data] : [];
  });
}
