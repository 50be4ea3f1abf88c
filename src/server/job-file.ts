import { createHash } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { z } from "zod";
import {
  activeChanges,
  decide,
  emptyLedger,
  enter,
  type Facts,
  jobOn,
  type JournalEvent,
  type Ledger,
  type Need,
  readJournal,
  serialKey,
  type StoredEvent,
} from "../core/journal";
import { namesOf } from "../core/history";
import { type MachineFile, compileMachine, variantOf, writeMachineYaml } from "../core/model";
import type { JobTaken } from "../contract/job-file";
import { database, inTransaction, type Tx } from "./db";
import { refuseWhenFull } from "./disk";
import { journalOf } from "./journals";
import { project } from "./journal";
import { oddsBy } from "./kept-odds";
import { learnWhetherHeld } from "./learning";
import { readMachineText } from "./machine-reader/reader";
import { machineByHash } from "./machine-store";
import { offerMachine } from "./machines";
import { projectOutcome } from "./outcomes";
import { keepPhoto, readPhoto } from "./photos";
import { isDuplicate, Refusal } from "./refusal";
import { events, jobs, odds as oddsTable, streams, units } from "./schema";
import { beginStream, sentHash } from "./streams";
import { indexEntry, indexEvidence } from "./terms";
import { readJob } from "./jobs";
import { registerUnit, unitRow } from "./units";
import { say } from "#words/server/job-file";

/** A job as one file, JSON: its journal, its unit, its machine's file, its photos. Another shop can take it in. */
const FORMAT = "unzo job 1";
/** Largest file taken, bytes, entries and photos in it. */
export const MOST_JOB_BYTES = 60_000_000;
const MOST_ENTRIES = 20_000;
const MOST_PHOTOS = 100;

const plateText = (most: number) => z.string().trim().min(1).max(most);
const jobFileSchema = z.object({
  format: z.literal(FORMAT),
  at: z.iso.datetime(),
  unit: z.object({
    id: z.uuid(),
    site: plateText(120),
    serial: plateText(60).nullable(),
    productCode: plateText(60).nullable(),
    productIndex: plateText(20).nullable(),
  }),
  /** The machine's file as the job was made with it, YAML as it is exported. */
  machine: z.object({ id: plateText(60), hash: z.string().regex(/^[0-9a-f]{64}$/), yaml: z.string().max(20_000_000) }),
  /** The odds of failure that it was made with, where they were not those of the file. */
  odds: z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/), body: z.string().max(2_000_000) }).nullable(),
  job: z.uuid(),
  entries: z
    .array(
      z.object({
        id: z.uuid(),
        v: z.number().int().min(1),
        actor: plateText(80),
        at: z.iso.datetime(),
        body: z.looseObject({ type: plateText(40) }),
      }),
    )
    .min(1)
    .max(MOST_ENTRIES),
  photos: z.array(z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/), data: z.base64() })).max(MOST_PHOTOS),
});
type JobFile = z.output<typeof jobFileSchema>;

/** The file of a job. Throws a `Refusal` for one that holds what only a later program understands. */
export async function jobFile(id: string, now: Date): Promise<JobFile> {
  const { events: journal, raw, unit, hash, odds } = await readJob(id);
  if (raw.length > 0) throw new Refusal(409, say.holdsWhatIsNewer);
  const row = await unitRow(database(), unit);
  const { file } = await machineByHash(hash);
  const stored = await oddsRow(odds);
  const photos = [];
  for (const photo of new Set(journal.flatMap(({ body }) => (body.type === "photo" ? [body.hash] : [])))) {
    const { bytes } = await readPhoto(photo);
    photos.push({ hash: photo, data: Buffer.from(bytes).toString("base64") });
  }
  const { site, serial, productCode, productIndex } = row;
  return {
    format: FORMAT,
    at: now.toISOString(),
    unit: { id: unit, site, serial, productCode, productIndex },
    machine: { id: file.id, hash, yaml: writeMachineYaml(file) },
    odds: stored,
    job: id,
    entries: journal.map(({ id: entry, v, actor, at, body }) => ({ id: entry, v, actor, at, body })),
    photos,
  };
}

async function oddsRow(hash: string | undefined): Promise<JobFile["odds"]> {
  if (hash === undefined || !(await oddsBy(hash))) return null;
  const [row] = await database().select().from(oddsTable).where(eq(oddsTable.hash, hash));
  return row ? { hash: row.hash, body: row.body } : null;
}

/**
 * Takes a job of another shop in, with its unit, its machine's file and its photos. Every entry is weighed as if it were
 * written now: what this program would refuse refuses the whole, by its number, and nothing is changed. The same file
 * twice is taken once. Throws a `Refusal`.
 */
export async function takeJob(input: unknown, actor: string, now: Date): Promise<JobTaken> {
  refuseWhenFull();
  const given = jobFileSchema.safeParse(input);
  if (!given.success) throw new Refusal(400, say.isNoJobFile);
  const file = given.data;
  const journal = readEntries(file);
  const machine = await readMachineText(file.machine.yaml, `${file.machine.id}.yaml`);
  if (machine.id !== file.machine.id) throw new Refusal(400, say.isNoJobFile);
  const photos = photosIn(file);
  weigh(journal, machine, new Set(photos.keys()));
  const known = await knownJob(file);
  if (known) return known;
  // It stays the file that the job was made with, whatever this shop uses.
  const isKept = await machineByHash(file.machine.hash).then(
    () => true,
    () => false,
  );
  const hash = isKept ? file.machine.hash : (await offerMachine(machine, { actor }, now)).hash;
  for (const bytes of photos.values()) await keepPhoto(bytes, now);
  try {
    await inTransaction((tx) => write(tx, file, journal, machine, hash, actor, now));
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await knownJob(file);
    if (twin) return twin;
    throw new Refusal(409, say.entryIsElsewhere);
  }
  learnWhetherHeld();
  return { id: file.job, became: "new" };
}

/** Its entries as this program reads them. */
function readEntries(file: JobFile): readonly JournalEvent[] {
  const stored = file.entries.map((e, i): StoredEvent => ({ ...e, job: file.job, seq: i + 1 }));
  const { events: read, raw } = readJournal(stored);
  if (raw.length > 0 || read.length !== stored.length) throw new Refusal(409, say.holdsWhatIsNewer);
  return read;
}

/** Its photos by their hashes; one that is not what its hash says refuses the whole. */
function photosIn(file: JobFile): ReadonlyMap<string, Uint8Array> {
  return new Map(
    file.photos.map(({ hash, data }) => {
      const bytes = new Uint8Array(Buffer.from(data, "base64"));
      if (createHash("sha256").update(bytes).digest("hex") !== hash) throw new Refusal(400, say.photoIsAnother);
      return [hash, bytes];
    }),
  );
}

/** Weighs every entry as it would be when written. What was proven elsewhere, on that unit, is taken at its word. */
function weigh(journal: readonly JournalEvent[], file: MachineFile, photos: ReadonlySet<string>): void {
  if (journal[0]!.body.type !== "opened") throw new Refusal(400, say.isNoJobFile);
  const drawn = compileMachine(file);
  const ledger = emptyLedger(journal[0]!.job);
  let machine = drawn;
  let built = "";
  for (const event of journal) {
    const changes = activeChanges(ledger);
    if (JSON.stringify(changes) !== built) {
      machine = variantOf(file, changes);
      built = JSON.stringify(changes);
    }
    const isOpening = event.seq === 1 && event.body.type === "opened" && event.body.machine === file.id;
    const problem = isOpening ? null : refusalOf(ledger, { file, machine }, event, photos);
    if (problem !== null) throw new Refusal(400, say.entryRefused(event.seq, problem));
    enter(ledger, event);
  }
  jobOn(drawn, journal);
}

function refusalOf(
  ledger: Ledger,
  unit: Parameters<typeof decide>[1],
  event: JournalEvent,
  photos: ReadonlySet<string>,
): string | null {
  let facts: Facts = { isPast: true };
  for (;;) {
    const decision = decide(ledger, unit, event, facts);
    if (decision.kind === "refused") return decision.sentence;
    if (decision.kind === "accepted") return null;
    const asked = decision.needs.filter((n): n is Exclude<Need, { need: "proof" }> => n.need !== "proof");
    if (asked.length < decision.needs.length) return null;
    for (const need of asked)
      facts =
        need.need === "photo"
          ? { ...facts, photos: new Map([[need.hash, photos.has(need.hash)]]) }
          : { ...facts, temporaryRepairs: new Map([[need.event, true]]) };
  }
}

/** A job that is here already: the same is answered alike, another under its id is refused. */
async function knownJob(file: JobFile): Promise<JobTaken | null> {
  const [row] = await database().select({ id: jobs.id }).from(jobs).where(eq(jobs.id, file.job));
  if (!row) return null;
  const { events: here } = await journalOf(file.job);
  const isSame = file.entries.every((e, i) => here[i]?.id === e.id);
  if (!isSame) throw new Refusal(409, say.anotherJobIsHere);
  return { id: file.job, became: "same" };
}

async function write(
  tx: Tx,
  file: JobFile,
  journal: readonly JournalEvent[],
  machine: MachineFile,
  hash: string,
  actor: string,
  now: Date,
): Promise<void> {
  const unit = await unitFor(tx, file, actor, now);
  const opened = journal[0]!.body as Extract<JournalEvent["body"], { type: "opened" }>;
  await beginStream(tx, file.job, "job");
  await tx.insert(jobs).values({
    id: file.job,
    unit: unit.id,
    machineHash: hash,
    kind: opened.kind,
    openedAt: new Date(journal[0]!.at),
    complaint: opened.complaintWords ?? null,
    complaintId: opened.complaint ?? null,
    actor: journal[0]!.actor,
    readings: 0,
  });
  const { odds } = file;
  if (odds && createHash("sha256").update(odds.body).digest("hex") === odds.hash)
    await tx.insert(oddsTable).ignore().values(odds);
  const [{ no }] = (await tx.select({ no: jobs.no }).from(jobs).where(eq(jobs.id, file.job))) as [{ no: number }];
  const names = namesOf(machine);
  const compiled = compileMachine(machine);
  const ledger = emptyLedger(file.job);
  for (const event of journal) {
    const { id, v, body } = event;
    await tx.insert(events).values({
      id,
      stream: file.job,
      seq: event.seq,
      v,
      type: body.type,
      actor: event.actor,
      at: new Date(event.at),
      body: JSON.parse(JSON.stringify(body)) as unknown,
      sent: sentHash(file.job, { id, v, actor: event.actor, body }),
    });
    const wasOpen = !ledger.told.closed;
    enter(ledger, event);
    await project(tx, unit.id, ledger, event, compiled, wasOpen, new Date(event.at));
    await indexEntry(tx, no, event, names);
  }
  await tx.update(streams).set({ lastSeq: journal.length }).where(eq(streams.id, file.job));
  if (journal.some((e) => e.body.type === "struck")) await indexEvidence(tx, no, journal, names);
  await projectOutcome(tx, { job: file.job, unit: unit.id, hash }, journal);
  // How the unit stands is known here; a job of elsewhere says it only where nobody has said it since.
  const { setup, powered, stoodAt, stoodBy, stoodJob } = unit;
  const last = new Date(journal.at(-1)!.at);
  if (stoodAt !== null && stoodAt >= last)
    await tx.update(units).set({ setup, powered, stoodAt, stoodBy, stoodJob }).where(eq(units.id, unit.id));
}

/** Its unit: the one known here by its id or its serial number, else a new one. */
async function unitFor(tx: Tx, { unit, machine }: JobFile, actor: string, now: Date) {
  const [own] = await tx.select().from(units).where(eq(units.id, unit.id));
  if (own) return own.mergedInto === null ? own : unitRow(tx, own.mergedInto);
  const key = serialKey(unit.serial);
  const [twin] =
    key === null
      ? []
      : await tx
          .select()
          .from(units)
          .where(and(eq(units.machine, machine.id), eq(units.serialKey, key)));
  return twin ?? registerUnit(tx, { ...unit, machine: machine.id }, actor, now);
}
