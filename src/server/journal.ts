import { and, eq } from "drizzle-orm";
import {
  activeChanges,
  changesKey,
  decide,
  emptyLedger,
  enter,
  type Facts,
  type JournalEvent,
  type Ledger,
  type Need,
  type NewEvent,
  type RawEvent,
  upcast,
  readJournal,
  versionOf,
} from "../core/journal";
import { namesOf } from "../core/history";
import { isPowered } from "../core/safety";
import type { Change, CircuitChange, GuardAnswers, Machine } from "../core/model";
import { inTransaction, type Tx } from "./db";
import { refuseWhenFull } from "./disk";
import { Lru } from "../core/lru";
import { proofOfChange } from "./isolation";
import { storedOf } from "./journals";
import { machineOf } from "./machine-store";
import { projectOutcome, renewHeld } from "./outcomes";
import { hasPhoto, markUsed } from "./photos";
import { Refusal } from "./refusal";
import { events, jobs, units, waits } from "./schema";
import { bodyOf, entriesOf, lockStream, twinOf, writeEntry } from "./streams";
import { indexEntry, indexEvidence } from "./terms";
import { learnWhenClosed, learnWhetherHeld } from "./learning";
import { follower } from "./live";
import { say } from "#words/server";

/** Ledgers kept in this process; each is verified by its sequence number while the stream's row is held. */
const KEPT = 200;
const ledgers = ((globalThis as { unzoLedgers?: Lru<string, Ledger> }).unzoLedgers ??= new Lru<string, Ledger>(KEPT));

type Outcome =
  | { readonly kind: "written"; readonly event: JournalEvent }
  | {
      readonly kind: "proof";
      readonly unit: readonly Change[];
      readonly changes: readonly CircuitChange[];
      readonly guards: GuardAnswers;
    };

/** Rounds of an entry that needs a proof: it is worked out while no row is held, and the unit may change meanwhile. */
const ROUNDS = 3;

/**
 * Adds an event to a job's journal. The sequence number is given while the stream's row is locked, so that readers can
 * resume by it. The same id with the same content is accepted once and answered alike; with other content it is
 * refused with 409. Throws a `Refusal`.
 */
export async function appendEvent(job: string, event: NewEvent, now: Date): Promise<JournalEvent> {
  refuseWhenFull();
  const written: NewEvent = { ...event, v: versionOf(event.body.type) };
  let facts: Facts = {};
  for (let round = 0; round < ROUNDS; round++) {
    const outcome = await inTransaction((tx) =>
      tryAppend(tx, job, written, facts, now).catch((error: unknown) => {
        // What was entered into it may not have been kept.
        ledgers.delete(job);
        throw error;
      }),
    ).catch((error: unknown) => {
      ledgers.delete(job);
      throw error;
    });
    if (outcome.kind === "written") {
      follower().look();
      if (event.body.type === "called") learnWhenClosed(job);
      if (event.body.type === "followed up" || event.body.type === "dropped") learnWhetherHeld();
      return outcome.event;
    }
    facts = { proof: await proofFor(job, outcome) };
  }
  throw new Refusal(409, say.theUnitWasChangedWhile);
}

async function tryAppend(tx: Tx, job: string, event: NewEvent, facts: Facts, now: Date): Promise<Outcome> {
  const lastSeq = await lockStream(tx, job, "job");
  if (lastSeq === null) throw new Refusal(404, say.thereIsNoSuchJob);
  const twin = await twinOf(tx, job, event);
  if (twin) return { kind: "written", event: readable(upcast(storedOf(twin))) };
  const ledger = await ledgerOf(tx, job, lastSeq);
  const [row] = await tx
    .select({ unit: jobs.unit, hash: jobs.machineHash, no: jobs.no })
    .from(jobs)
    .where(eq(jobs.id, job))
    .for("update");
  const { file, machine } = await machineOf(row!.hash, ledger.unreadable > 0 ? [] : activeChanges(ledger), tx);
  let known = facts;
  for (;;) {
    const decision = decide(ledger, { file, machine }, event, known);
    if (decision.kind === "accepted") break;
    if (decision.kind === "refused") throw new Refusal(decision.status, decision.sentence);
    const proof = decision.needs.find((n) => n.need === "proof");
    if (proof) return { kind: "proof", unit: activeChanges(ledger), changes: proof.changes, guards: proof.guards };
    known = { ...known, ...(await factsFor(tx, row!.unit, decision.needs)) };
  }
  const taken: JournalEvent = {
    ...event,
    body: JSON.parse(JSON.stringify(event.body)) as NewEvent["body"],
    job,
    seq: lastSeq + 1,
    at: now.toISOString(),
  };
  const wasOpen = !ledger.told.closed;
  await writeEntry(tx, job, lastSeq + 1, event, now);
  enter(ledger, taken);
  await project(tx, row!.unit, ledger, taken, machine, wasOpen, now);
  const names = namesOf(file);
  await indexEntry(tx, row!.no, taken, names);
  const whole = async () => readJournal((await entriesOf(tx, job)).map(storedOf)).events;
  if (taken.body.type === "struck") await indexEvidence(tx, row!.no, await whole(), names);
  if (taken.body.type === "called" || taken.body.type === "followed up")
    await projectOutcome(tx, { job, unit: row!.unit, hash: row!.hash }, await whole());
  if (taken.body.type === "dropped") await renewHeld(tx, row!.unit);
  return { kind: "written", event: taken };
}

/** What a decision asks for, looked up inside the transaction. */
async function factsFor(tx: Tx, unit: string, needs: readonly Need[]): Promise<Facts> {
  let facts: Facts = {};
  for (const need of needs) {
    if (need.need === "photo") facts = { ...facts, photos: new Map([[need.hash, await hasPhoto(need.hash, tx)]]) };
    if (need.need === "temporary repair") {
      const [found] = await tx
        .select({ type: events.type, body: events.body })
        .from(events)
        .innerJoin(jobs, eq(events.stream, jobs.id))
        .where(and(eq(events.id, need.event), eq(jobs.unit, unit)));
      const temporary = found?.type === "decided" && (bodyOf(found) as { temporary?: boolean }).temporary === true;
      facts = { ...facts, temporaryRepairs: new Map([[need.event, temporary]]) };
    }
  }
  return facts;
}

/** The proof of a change to the circuit, in a thread of its own, while no row is held. */
async function proofFor(
  job: string,
  asked: {
    readonly unit: readonly Change[];
    readonly changes: readonly CircuitChange[];
    readonly guards: GuardAnswers;
  },
): Promise<NonNullable<Facts["proof"]>> {
  const proof = await proofOfChange(job, asked.unit, asked.changes, asked.guards);
  const fault = proof.findings.find((f) => !f.ok);
  return { key: changesKey(asked.unit, asked.changes, asked.guards), fault: fault?.words ?? null };
}

/** The ledger of a job as of a sequence number whose row the caller holds; only what is new since is read. */
async function ledgerOf(tx: Tx, job: string, lastSeq: number): Promise<Ledger> {
  let ledger = ledgers.get(job);
  if (!ledger || ledger.lastSeq > lastSeq) ledger = emptyLedger(job);
  if (ledger.lastSeq < lastSeq)
    for (const row of await entriesOf(tx, job, ledger.lastSeq)) enter(ledger, upcast(storedOf(row)));
  ledgers.set(job, ledger);
  return ledger;
}

/** Renews what lists show of a job and its unit, from the ledger and the entry that was just taken into it. */
export async function project(
  tx: Tx,
  unit: string,
  ledger: Ledger,
  { body, actor }: JournalEvent,
  machine: Machine,
  wasOpen: boolean,
  now: Date,
): Promise<void> {
  const { job } = ledger;
  if (body.type === "photo") await markUsed(tx, body.hash);
  // What comes after the call changes nothing.
  if (!wasOpen) return;
  if (body.type === "reading" || body.type === "struck")
    await tx.update(jobs).set({ readings: ledger.told.counting.size }).where(eq(jobs.id, job));
  if (body.type === "called")
    await tx.update(jobs).set({ result: body.pieceName, closedAt: now }).where(eq(jobs.id, job));
  if (body.type === "dropped") await tx.update(jobs).set({ result: "dropped", closedAt: now }).where(eq(jobs.id, job));
  if (body.type === "promised")
    await tx
      .update(jobs)
      .set({ promisedAt: body.at === null ? null : new Date(body.at) })
      .where(eq(jobs.id, job));
  if (body.type === "visit")
    await tx
      .update(jobs)
      .set({ visitAt: body.at === null ? null : new Date(body.at), visitMinutes: Math.round(body.minutes) })
      .where(eq(jobs.id, job));
  let setup: string | null;
  if (body.type === "standing") setup = body.setup;
  else if (body.type === "reading") setup = body.test.setup;
  else setup = null;
  const entry = setup === null ? undefined : machine.setupById.get(setup);
  if (entry)
    await tx
      .update(units)
      .set({ setup: entry.id, powered: isPowered(entry), stoodAt: now, stoodBy: actor, stoodJob: job })
      .where(eq(units.id, unit));
  if (body.type === "called" || body.type === "dropped") await tx.delete(waits).where(eq(waits.job, job));
  if (body.type === "waited") await tx.delete(waits).where(and(eq(waits.job, job), eq(waits.wait, body.wait)));
  if (body.type === "waiting") {
    const row = {
      words: body.words,
      piece: body.piece ?? null,
      begun: now,
      due: new Date(now.getTime() + 1000 * body.seconds),
      care: body.care ?? null,
    };
    await tx
      .insert(waits)
      .values({ job, wait: body.wait, ...row })
      .onDuplicateKeyUpdate({ set: row });
  }
}

/** An entry that this program wrote itself can be read by it. */
function readable(event: JournalEvent | RawEvent): JournalEvent {
  if ("raw" in event) throw new Refusal(409, say.thisEntryWasWrittenBy);
  return event;
}
