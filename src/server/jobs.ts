import { randomUUID as uuid } from "node:crypto";
import { count, desc, eq, inArray, isNotNull, isNull, type SQL } from "drizzle-orm";
import { z } from "zod";
import { namesOf } from "../core/history";
import { type JobKind, type NewEvent, versionOf } from "../core/journal";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { journalOf } from "./journals";
import { machineWith, newestMachine } from "./machine-store";
import { isDuplicate, Refusal } from "./refusal";
import { jobs, machines, units } from "./schema";
import { beginStream, lockStream, writeEntry } from "./streams";
import { indexEntry } from "./terms";
import { learnWhetherHeld } from "./learning";
import { oddsFor } from "./kept-odds";
import { renewHeld } from "./outcomes";
import { openJobsOf, registerUnit, unitRecord, unitRow } from "./units";
import { newJobSchema, type JobPage, type JobRow } from "../contract/jobs";
import { say } from "#words/server";

/** Opens a job on a unit. Answers the same for the same id. Throws a `Refusal`. */
export async function openJob(input: z.input<typeof newJobSchema>, now: Date): Promise<{ id: string }> {
  refuseWhenFull();
  const asked = newJobSchema.parse(input);
  const opened = await tryOpen(asked, now).catch((error: unknown) => {
    // The same form sent twice at once: the other one was first, and is answered like a repeat.
    if (!isDuplicate(error)) throw error;
    return tryOpen(asked, now);
  });
  // What it says of an earlier repair is written by now.
  if (opened.hasComeBack) learnWhetherHeld();
  return { id: opened.id };
}

async function tryOpen(
  asked: z.output<typeof newJobSchema>,
  now: Date,
): Promise<{ readonly id: string; readonly hasComeBack: boolean }> {
  const { id, kind, purpose, actor } = asked;
  // What was built into this unit in earlier jobs is part of it for ever.
  const built = asked.unit === undefined ? [] : (await unitRecord(asked.unit)).modifications;
  return inTransaction(async (tx) => {
    const unit = asked.newUnit ? await registerUnit(tx, asked.newUnit, actor, now) : await unitRow(tx, asked.unit!);
    // Held until the job is open: the unit cannot be merged away meanwhile, nor a second job be opened unseen.
    await lockStream(tx, unit.id, "unit");
    if (unit.mergedInto) throw new Refusal(409, say.thisUnitWasFoundToBe);
    const { hash, machine } = await newestMachine(unit.machine, tx);
    const complaint = machine.file.complaints.find((c) => c.id === asked.complaint);
    if (asked.complaint !== undefined && !complaint) throw new Refusal(400, say.thisMachineHasNoSuch);
    if (kind === "repair" && !complaint) throw new Refusal(400, say.chooseTheComplaint);
    const fleeting = complaint !== undefined && asked.comesAndGoes;
    const words = fleeting ? say.comesAndGoes(complaint.words) : (complaint?.words ?? null);
    const [known] = await tx.select().from(jobs).where(eq(jobs.id, id));
    if (known) {
      const same = known.unit === unit.id && known.complaint === words && known.actor === actor;
      if (same) return { id, hasComeBack: false };
      throw new Refusal(409, say.aJobWithThisId);
    }
    const [open] = asked.again ? [] : await openJobsOf(unit.id, tx);
    if (open) throw new Refusal(409, say.thisUnitHasAnOpen(open.complaint ?? say.noComplaint));
    await beginStream(tx, id, "job");
    await tx.insert(jobs).values({
      id,
      unit: unit.id,
      machineHash: hash,
      kind,
      openedAt: now,
      complaint: words,
      complaintId: complaint?.id ?? null,
      actor,
      readings: 0,
    });
    const learned = await oddsFor(machine.file.id, tx);
    const body = {
      type: "opened" as const,
      kind,
      ...(purpose === undefined ? {} : { purpose }),
      machine: machine.file.id,
      machineHash: hash,
      ...(complaint && words !== null ? { complaint: complaint.id, complaintWords: words } : {}),
      ...(fleeting ? { comesAndGoes: true } : {}),
      ...(learned === undefined ? {} : { odds: learned }),
      site: unit.site,
      serial: unit.serial,
      ...(unit.productCode === null ? {} : { productCode: unit.productCode }),
      ...(unit.productIndex === null ? {} : { productIndex: unit.productIndex }),
    };
    const [{ no }] = (await tx.select({ no: jobs.no }).from(jobs).where(eq(jobs.id, id))) as [{ no: number }];
    /** Writes the next entry, and keeps the job findable by it. */
    const write = async (entry: NewEvent) => {
      await writeEntry(tx, id, ++seq, entry, now);
      await indexEntry(tx, no, { ...entry, job: id, seq, at: now.toISOString() }, names);
    };
    const names = namesOf(machine.file);
    let seq = 0;
    await write({ id: uuid(), v: versionOf("opened"), actor, body });
    for (const { body: modified } of built)
      for (const change of modified.changes) {
        const words = say.builtInEarlier(modified.words).slice(0, 300);
        await write({ id: uuid(), v: 1, actor: say.unitRecord, body: { type: "varied", change, words } });
      }
    // The complaint that a closed repair was to cure is back: that repair has not held.
    return { id, hasComeBack: await renewHeld(tx, unit.id) };
  });
}

/** More than so many are not counted: it would cost more with every year. */
export const MOST_COUNTED = 2000;

/** Jobs drawn at once. */
export const PAGE = 50;

export const jobListSchema = z.strictObject({
  state: z.enum(["open", "closed"]).default("open"),
  page: z.coerce.number().int().min(1).max(100_000).default(1),
});

/** A page of jobs, the newest first: open ones as they were opened, closed ones as they were closed. */
export async function listJobs(asked: z.input<typeof jobListSchema> = {}, most = PAGE): Promise<JobPage> {
  const { state, page } = jobListSchema.parse(asked);
  const isOpen = state === "open";
  const where = isOpen ? isNull(jobs.closedAt) : isNotNull(jobs.closedAt);
  const some = database().select({ id: jobs.id }).from(jobs).where(where).limit(MOST_COUNTED).as("some");
  const [total] = await database().select({ n: count() }).from(some);
  const rows = await rowsWhere(where, isOpen, most, (page - 1) * most);
  return { jobs: rows, total: total!.n };
}

/** Closed jobs shown on the start screen. */
const CLOSED = 8;

/** The jobs closed last. */
export function lastClosed(): Promise<readonly JobRow[]> {
  return rowsWhere(isNotNull(jobs.closedAt), false, CLOSED, 0);
}

async function rowsWhere(where: SQL, isOpen: boolean, most: number, from: number): Promise<readonly JobRow[]> {
  // In the order of the index (`jobs_closed` and the key behind it), so that a page is read off and not sorted out of
  // all of them.
  const page = await database()
    .select({ id: jobs.id })
    .from(jobs)
    .where(where)
    .orderBy(...(isOpen ? [] : [desc(jobs.closedAt)]), desc(jobs.openedAt), desc(jobs.id))
    .limit(most)
    .offset(from);
  if (page.length === 0) return [];
  const ids = page.map((r) => r.id);
  const rows = new Map((await jobRows(inArray(jobs.id, ids))).map((row) => [row.id, row]));
  return ids.map((id) => {
    const { no: _no, machineHash: _hash, ...row } = rows.get(id)!;
    return row;
  });
}

/** Jobs as lists show them, in no order, with what names them in the index and the file they were made with. */
export async function jobRows(
  where: SQL,
): Promise<readonly (JobRow & { readonly no: number; readonly machineHash: string })[]> {
  const rows = await database()
    .select({
      id: jobs.id,
      no: jobs.no,
      machineHash: jobs.machineHash,
      kind: jobs.kind,
      openedAt: jobs.openedAt,
      closedAt: jobs.closedAt,
      complaint: jobs.complaint,
      actor: jobs.actor,
      readings: jobs.readings,
      result: jobs.result,
      unit: units.id,
      site: units.site,
      serial: units.serial,
      machineName: machines.name,
    })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .innerJoin(machines, eq(jobs.machineHash, machines.hash))
    .where(where);
  return rows.map((r) => ({
    ...r,
    kind: r.kind as JobKind,
    openedAt: r.openedAt.toISOString(),
    closedAt: r.closedAt?.toISOString() ?? null,
  }));
}

/** A job with its journal and its machine. Throws a `Refusal` where there is none. */
export async function readJob(id: string) {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchJob);
  const [row] = await database()
    .select({ machineHash: jobs.machineHash, unit: jobs.unit })
    .from(jobs)
    .where(eq(jobs.id, id));
  if (!row) throw new Refusal(404, say.thereIsNoSuchJob);
  const { events, raw } = await journalOf(id);
  const [first] = events;
  const odds = first?.body.type === "opened" ? first.body.odds : undefined;
  const { file, machine } = await machineWith(row.machineHash, odds);
  return { id, unit: row.unit, events, raw, file, machine, hash: row.machineHash, odds };
}
