import { randomUUID as uuid } from "node:crypto";
import { and, count, desc, eq, inArray, isNotNull, isNull, like, or, type SQL } from "drizzle-orm";
import { z } from "zod";
import { type JobKind, versionOf } from "../core/journal";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { journalOf } from "./journals";
import { librarySummaries } from "./library";
import { machineByHash, newestMachine } from "./machine-store";
import { isDuplicate, Refusal } from "./refusal";
import { jobs, machines, units } from "./schema";
import { beginStream, lockStream, writeEntry } from "./streams";
import { openJobsOf, registerUnit, unitRecord, unitRow } from "./units";
import { newJobSchema, type JobPage, type JobRow } from "../contract/jobs";
import { say } from "#words/server";

/** Opens a job on a unit. Answers the same for the same id. Throws a `Refusal`. */
export async function openJob(input: z.input<typeof newJobSchema>, now: Date): Promise<{ id: string }> {
  refuseWhenFull();
  const asked = newJobSchema.parse(input);
  try {
    return await tryOpen(asked, now);
  } catch (error) {
    // The same form sent twice at once: the other one was first, and is answered like a repeat.
    if (!isDuplicate(error)) throw error;
    return tryOpen(asked, now);
  }
}

async function tryOpen(asked: z.output<typeof newJobSchema>, now: Date): Promise<{ id: string }> {
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
      if (same) return { id };
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
      actor,
      readings: 0,
    });
    const body = {
      type: "opened" as const,
      kind,
      ...(purpose === undefined ? {} : { purpose }),
      machine: machine.file.id,
      machineHash: hash,
      ...(complaint && words !== null ? { complaint: complaint.id, complaintWords: words } : {}),
      ...(fleeting ? { comesAndGoes: true } : {}),
      site: unit.site,
      serial: unit.serial,
      ...(unit.productCode === null ? {} : { productCode: unit.productCode }),
      ...(unit.productIndex === null ? {} : { productIndex: unit.productIndex }),
    };
    await writeEntry(tx, id, 1, { id: uuid(), v: versionOf("opened"), actor, body }, now);
    let seq = 1;
    for (const { body: modified } of built)
      for (const change of modified.changes) {
        const words = say.builtInEarlier(modified.words).slice(0, 300);
        const entry = { id: uuid(), v: 1, actor: say.unitRecord, body: { type: "varied" as const, change, words } };
        await writeEntry(tx, id, ++seq, entry, now);
      }
    return { id };
  });
}

/** More than so many are not counted: it would cost more with every year. */
export const MOST_COUNTED = 2000;

/** Jobs drawn at once. */
export const PAGE = 50;

export const jobListSchema = z.strictObject({
  state: z.enum(["open", "closed"]).default("open"),
  words: z.string().max(120).default(""),
  page: z.coerce.number().int().min(1).max(100_000).default(1),
});

/** A page of jobs, the newest first: open ones as they were opened, closed ones as they were closed. */
export async function listJobs(asked: z.input<typeof jobListSchema> = {}, most = PAGE): Promise<JobPage> {
  const { state, words, page } = jobListSchema.parse(asked);
  const isOpen = state === "open";
  const where = and(isOpen ? isNull(jobs.closedAt) : isNotNull(jobs.closedAt), ...(await matching(words)));
  const some = database()
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .where(where)
    .limit(MOST_COUNTED)
    .as("some");
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

async function rowsWhere(
  where: SQL | undefined,
  isOpen: boolean,
  most: number,
  from: number,
): Promise<readonly JobRow[]> {
  // In the order of the index (`jobs_closed` and the key behind it), so that a page is read off and not sorted out of
  // all of them.
  const page = database()
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .where(where)
    .orderBy(...(isOpen ? [] : [desc(jobs.closedAt)]), desc(jobs.openedAt), desc(jobs.id))
    .limit(most)
    .offset(from)
    .as("page");
  const rows = await database()
    .select({
      id: jobs.id,
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
    .from(page)
    .innerJoin(jobs, eq(jobs.id, page.id))
    .innerJoin(units, eq(jobs.unit, units.id))
    .innerJoin(machines, eq(jobs.machineHash, machines.hash))
    .orderBy(...(isOpen ? [] : [desc(jobs.closedAt)]), desc(jobs.openedAt), desc(jobs.id));
  return rows.map((r) => ({
    ...r,
    kind: r.kind as JobKind,
    openedAt: r.openedAt.toISOString(),
    closedAt: r.closedAt?.toISOString() ?? null,
  }));
}

/** Every word stands in complaint, result, site or serial, or names the machine. */
async function matching(text: string): Promise<SQL[]> {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 6);
  if (words.length === 0) return [];
  const library = await librarySummaries();
  return words.map((word) => {
    const like_ = `%${word.replace(/[\\%_]/g, "\\$&")}%`;
    const models = library.filter((m) => m.search.includes(word)).map((m) => m.id);
    return or(
      like(jobs.complaint, like_),
      like(jobs.result, like_),
      like(jobs.actor, like_),
      like(units.site, like_),
      like(units.serial, like_),
      ...(models.length > 0 ? [inArray(units.machine, models)] : []),
    )!;
  });
}

/** A job with its journal and its machine. Throws a `Refusal` where there is none. */
export async function readJob(id: string) {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchJob);
  const [row] = await database()
    .select({ machineHash: jobs.machineHash, unit: jobs.unit })
    .from(jobs)
    .where(eq(jobs.id, id));
  if (!row) throw new Refusal(404, say.thereIsNoSuchJob);
  const [{ events, raw }, { file, machine }] = await Promise.all([journalOf(id), machineByHash(row.machineHash)]);
  return { id, unit: row.unit, events, raw, file, machine, hash: row.machineHash };
}
