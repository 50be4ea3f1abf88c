import { randomUUID as uuid } from "node:crypto";
import { and, asc, desc, eq, inArray, isNull, like, or, type SQL } from "drizzle-orm";
import { z } from "zod";
import { type JobKind, jobOn, serialKey, type UnitEvent, type UnitPlate } from "../core/journal";
import { plateWords } from "../core/model";
import { database, inTransaction, type Database, type Tx } from "./db";
import { refuseWhenFull } from "./disk";
import { journalsOf } from "./journals";
import { librarySummaries } from "./library";
import type { MachineSummary } from "../contract/machines";
import { machineByHash, newestMachine } from "./machine-store";
import { isDuplicate, Refusal } from "./refusal";
import { renewHeld } from "./outcomes";
import { jobs, outcomes, units } from "./schema";
import { beginStream, lockStream, twinOf, writeEntry } from "./streams";
import {
  correctionSchema,
  mergeSchema,
  newUnitSchema,
  type KnownState,
  type UnitSearch,
  type UnitRecord,
} from "../contract/units";
import { say } from "#words/server";

/** Makes a unit and its stream, or answers with the one that was made by the same form before. Throws a `Refusal`. */
export async function registerUnit(
  tx: Tx,
  input: z.output<typeof newUnitSchema>,
  actor: string,
  now: Date,
): Promise<typeof units.$inferSelect> {
  const [known] = await tx.select().from(units).where(eq(units.id, input.id));
  if (known) return known;
  await newestMachine(input.machine, tx);
  const { id, ...plate } = input;
  await refuseKnownSerial(tx, plate, id);
  await beginStream(tx, id, "unit");
  await writeUnitEvent(tx, id, 1, { type: "registered", ...plate }, actor, now);
  const row = { id, ...plate, serialKey: serialKey(plate.serial) };
  await tx.insert(units).values(row);
  const [made] = await tx.select().from(units).where(eq(units.id, id));
  return made!;
}

/** A serial number names one unit of a machine. */
async function refuseKnownSerial(tx: Tx, plate: UnitPlate, self: string): Promise<void> {
  const key = serialKey(plate.serial);
  if (key === null) return;
  const [twin] = await tx
    .select({ id: units.id, site: units.site, serial: units.serial })
    .from(units)
    .where(and(eq(units.machine, plate.machine), eq(units.serialKey, key)));
  if (twin && twin.id !== self) throw new Refusal(409, say.aUnitWithTheSerial(twin.serial, twin.site));
}

async function writeUnitEvent(
  tx: Tx,
  unit: string,
  seq: number,
  body: UnitEvent,
  actor: string,
  now: Date,
  id = uuid(),
) {
  await writeEntry(tx, unit, seq, { id, v: 1, actor, body }, now);
}

/** Corrects the data of a unit; jobs keep what was written down when they were opened. Throws a `Refusal`. */
export async function correctUnit(unit: string, input: z.output<typeof correctionSchema>, now: Date): Promise<void> {
  refuseWhenFull();
  const { id, actor, words, ...changed } = input;
  try {
    await inTransaction(async (tx) => {
      const lastSeq = await lockStream(tx, unit, "unit");
      if (lastSeq === null) throw new Refusal(404, say.thereIsNoSuchUnit);
      const entry = { id, v: 1, actor, body: { type: "corrected" as const, ...changed, words } };
      if (await twinOf(tx, unit, entry)) return;
      const row = await unitRow(tx, unit);
      if (row.mergedInto) throw new Refusal(409, say.thisUnitWasFoundTo);
      if (changed.machine !== undefined) await newestMachine(changed.machine, tx);
      const plate = { ...plateOf(row), ...changed };
      await refuseKnownSerial(tx, plate, unit);
      await writeEntry(tx, unit, lastSeq + 1, entry, now);
      await tx
        .update(units)
        .set({ ...plate, serialKey: serialKey(plate.serial) })
        .where(eq(units.id, unit));
    });
  } catch (error) {
    throw isDuplicate(error) ? new Refusal(409, say.anotherUnitWasGivenThat) : error;
  }
}

/**
 * Two entries that are found to be one unit: the jobs of the first go over to the second; nothing is lost. Throws a
 * `Refusal`.
 */
export async function mergeUnits(unit: string, input: z.output<typeof mergeSchema>, now: Date): Promise<void> {
  const { into, actor } = input;
  if (into === unit) throw new Refusal(400, say.aUnitIsItselfAlready);
  refuseWhenFull();
  await inTransaction(async (tx) => {
    // Both are held, always in the same order, so that two merges cannot wait for each other.
    const seqs = new Map<string, number>();
    for (const id of [unit, into].sort()) {
      const lastSeq = await lockStream(tx, id, "unit");
      if (lastSeq === null) throw new Refusal(404, say.thereIsNoSuchUnit);
      seqs.set(id, lastSeq);
    }
    const [gone, stays] = [await unitRow(tx, unit), await unitRow(tx, into)];
    if (gone.mergedInto === into) return;
    if (gone.mergedInto || stays.mergedInto) throw new Refusal(409, say.oneOfTheseWasMerged);
    if (gone.machine !== stays.machine) throw new Refusal(409, say.theseAreDifferentMachinesCorrect);
    await writeUnitEvent(tx, unit, seqs.get(unit)! + 1, { type: "merged", into }, actor, now);
    await writeUnitEvent(tx, into, seqs.get(into)! + 1, { type: "absorbed", unit }, actor, now);
    await tx.update(units).set({ mergedInto: into, serialKey: null }).where(eq(units.id, unit));
    const { serial, productCode, productIndex } = gone;
    // What the one that stays does not know, the other one tells.
    const learned = {
      ...(stays.serial === null && serial !== null ? { serial } : {}),
      ...(stays.productCode === null && productCode !== null ? { productCode, productIndex } : {}),
    };
    if (Object.keys(learned).length > 0) {
      const words = say.takenFromTheUnitThat;
      await writeUnitEvent(tx, into, seqs.get(into)! + 2, { type: "corrected", ...learned, words }, actor, now);
      await tx
        .update(units)
        .set({ ...learned, ...(learned.serial ? { serialKey: serialKey(learned.serial) } : {}) })
        .where(eq(units.id, into));
    }
    if (gone.stoodAt && (!stays.stoodAt || gone.stoodAt > stays.stoodAt)) {
      const { setup, powered, stoodAt, stoodBy, stoodJob } = gone;
      await tx.update(units).set({ setup, powered, stoodAt, stoodBy, stoodJob }).where(eq(units.id, into));
    }
    await tx.update(jobs).set({ unit: into }).where(eq(jobs.unit, unit));
    await tx.update(outcomes).set({ unit: into }).where(eq(outcomes.unit, unit));
    await renewHeld(tx, into);
  });
}

/** The record of a unit, from the journals of all its jobs. Throws a `Refusal` where there is none. */
export async function unitRecord(id: string): Promise<UnitRecord> {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchUnit);
  const unit = await unitRow(database(), id);
  const [rows, absorbed, head] = await Promise.all([
    database().select().from(jobs).where(eq(jobs.unit, id)).orderBy(asc(jobs.openedAt), asc(jobs.id)),
    database()
      .select({ id: units.id, site: units.site, serial: units.serial })
      .from(units)
      .where(eq(units.mergedInto, id)),
    newestMachine(unit.machine),
  ]);
  const journals = await journalsOf(rows.map((r) => r.id));
  const readable = rows.filter((r) => journals.get(r.id)!.events[0]?.body.type === "opened");
  const folded = [];
  for (const row of readable)
    folded.push(jobOn((await machineByHash(row.machineHash)).machine, journals.get(row.id)!.events));
  const good = new Set(folded.flatMap((j) => j.work.madeGood.map((m) => m.body.event)));
  const last = folded
    .flatMap((j) => (j.called ? [{ job: j.id, ...j.called }] : []))
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .at(-1);
  const settings = new Map<string, { setting: string; value: string; at: string }>();
  for (const job of folded)
    for (const { body, at } of job.answers)
      if (body.type === "setting") settings.set(body.setting, { setting: body.setting, value: body.value, at });
  return {
    id,
    ...plateOf(unit),
    machineName: `${head.machine.file.maker} ${head.machine.file.model}`,
    mergedInto: unit.mergedInto,
    platePicks: plateWords(head.machine.file, unit),
    absorbed,
    state: stateOf(unit),
    jobs: [...rows].reverse().map((r) => ({
      id: r.id,
      openedAt: r.openedAt.toISOString(),
      complaint: r.complaint,
      result: r.result,
      open: r.closedAt === null,
      kind: r.kind as JobKind,
    })),
    temporary: folded.flatMap((j) =>
      j.work.decisions.filter((d) => d.body.temporary && !good.has(d.id)).map((d) => ({ ...d, job: j.id })),
    ),
    unsafe: last?.unsafe ? { ...last.unsafe, job: last.job, at: last.at } : null,
    modifications: folded.flatMap((j) => j.work.modifications.map((m) => ({ ...m, job: j.id }))),
    settings: [...settings.values()],
    unreadable: rows.filter((r) => journals.get(r.id)!.raw.length > 0).map((r) => r.id),
  };
}

/** The unit of a job. */
export async function unitOfJob(job: string): Promise<string> {
  if (!z.uuid().safeParse(job).success) throw new Refusal(404, say.thereIsNoSuchJob);
  const [row] = await database().select({ unit: jobs.unit }).from(jobs).where(eq(jobs.id, job));
  if (!row) throw new Refusal(404, say.thereIsNoSuchJob);
  return row.unit;
}

/** How a unit stands now, and its open jobs. Throws a `Refusal` where there is none. */
export async function unitState(id: string): Promise<{ readonly state: KnownState | null }> {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchUnit);
  return { state: stateOf(await unitRow(database(), id)) };
}

/** Matches shown while typing. */
const MOST_FOUND = 12;

/** Units by serial number, site, product code, model or board number, and machines by model or board number. */
export async function searchUnits(typed: string): Promise<UnitSearch> {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 6);
  const library = await librarySummaries();
  const fits = (m: MachineSummary, word: string) => m.search.includes(word);
  const machines = library.filter((m) => m.origin !== "quick" && words.every((w) => fits(m, w)));
  const nameOf = new Map(library.map((m) => [m.id, `${m.maker} ${m.model}`]));
  // Every word must stand somewhere: on the plate, at the site, or in what the machine is called.
  const where: SQL[] = words.map((word) => {
    const text = `%${word.replace(/[\\%_]/g, "\\$&")}%`;
    const models = library.filter((m) => fits(m, word)).map((m) => m.id);
    return or(
      like(units.serialKey, text),
      like(units.serial, text),
      like(units.site, text),
      like(units.productCode, text),
      ...(models.length > 0 ? [inArray(units.machine, models)] : []),
    )!;
  });
  const rows = await database()
    .select()
    .from(units)
    .where(and(isNull(units.mergedInto), ...where))
    .orderBy(asc(units.site), asc(units.id))
    .limit(MOST_FOUND);
  return {
    units: rows.map((r) => ({ id: r.id, ...plateOf(r), machineName: nameOf.get(r.machine) ?? r.machine })),
    machines: machines.slice(0, MOST_FOUND),
  };
}

/** Open jobs of a unit, the newest first. */
export async function openJobsOf(unit: string, db: Database = database()) {
  const rows = await db
    .select({ id: jobs.id, kind: jobs.kind, complaint: jobs.complaint, actor: jobs.actor, openedAt: jobs.openedAt })
    .from(jobs)
    .where(and(eq(jobs.unit, unit), isNull(jobs.closedAt)))
    .orderBy(desc(jobs.openedAt));
  return rows.map((r) => ({ ...r, kind: r.kind as JobKind, openedAt: r.openedAt.toISOString() }));
}

export async function unitRow(db: Database, id: string): Promise<typeof units.$inferSelect> {
  const [row] = await db.select().from(units).where(eq(units.id, id));
  if (!row) throw new Refusal(404, say.thereIsNoSuchUnit);
  return row;
}

const plateOf = ({ site, machine, serial, productCode, productIndex }: UnitPlate): UnitPlate => ({
  site,
  machine,
  serial,
  productCode,
  productIndex,
});

function stateOf(row: typeof units.$inferSelect): KnownState | null {
  if (row.setup === null || row.stoodAt === null) return null;
  return {
    setup: row.setup,
    powered: row.powered ?? true,
    at: row.stoodAt.toISOString(),
    by: row.stoodBy ?? "",
    job: row.stoodJob ?? "",
  };
}
