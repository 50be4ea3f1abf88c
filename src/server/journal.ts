import { createHash } from "node:crypto";
import { and, asc, eq, gt } from "drizzle-orm";
import { canonicalJson } from "../core/formats/canonical-json";
import { upcast, type JournalEvent, type NewEvent } from "../core/journal/events";
import { database, type Database } from "./db";
import { applyChanges, ChangeError, type Change } from "../core/machine/variant";
import { compileMachine, type Machine } from "../core/machine/compile";
import { unaskable, unknownPiece, unknownSign, unseeable } from "../core/isolate/seeable";
import { machineByHash } from "./machines";
import { hasPhoto } from "./photos";
import { Refusal } from "./refusal";
import { events, jobs } from "./schema";

type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** What a client sent, as a hash: the same event sent twice has the same one. */
function sentHash(job: string, event: NewEvent): string {
  return createHash("sha256")
    .update(canonicalJson({ job, ...event }))
    .digest("hex");
}

/**
 * Adds an event to a job's journal. The sequence number is given while the job's row is locked, so that readers can
 * resume by it. The same id with the same content is accepted once and answered alike; with other content it is
 * refused with 409.
 */
export async function appendEvent(job: string, event: NewEvent, now: Date): Promise<JournalEvent> {
  return database().transaction(async (tx) => {
    const [row] = await tx.select({ lastSeq: jobs.lastSeq }).from(jobs).where(eq(jobs.id, job)).for("update");
    if (!row) throw new Refusal(404, "There is no such job.");
    const [twin] = await tx.select().from(events).where(eq(events.id, event.id));
    if (twin) {
      if (twin.sent !== sentHash(job, event))
        throw new Refusal(
          409,
          "An event with this id but another content is in the journal already. Nothing was changed.",
        );
      return toEvent(twin);
    }
    if (event.body.type === "opened") throw new Refusal(409, "This job is open already.");
    if (event.body.type === "struck") {
      const [target] = await tx
        .select({ body: events.body })
        .from(events)
        .where(and(eq(events.job, job), eq(events.id, event.body.event)));
      if (
        !target ||
        ![
          "reading",
          "varied",
          "answered",
          "compared",
          "noticed",
          "tried",
          "timed",
          "alone",
          "setting",
          "surroundings",
        ].includes(typeOf(target.body))
      )
        throw new Refusal(404, "There is no such entry in this job to strike out.");
      if (typeOf(target.body) === "varied") await checkWithout(job, event.body.event);
    }
    if (event.body.type === "varied") await checkChange(job, event.body.change);
    await checkSeen(job, event.body);
    await checkWork(tx, job, event.body);
    return insertEvent(tx, job, row.lastSeq + 1, event, now);
  });
}

/** A change that cannot be made on this unit must not get into its journal: nobody could open the job again. */
async function checkChange(job: string, change: Change): Promise<void> {
  const [row] = await database().select({ machineHash: jobs.machineHash }).from(jobs).where(eq(jobs.id, job));
  const { file } = await machineByHash(row!.machineHash);
  try {
    applyChanges(file, [...standingChanges(await eventsOf(job)), change]);
  } catch (error) {
    if (error instanceof ChangeError) throw new Refusal(400, error.message);
    throw error;
  }
}

/** What is said to have been seen or asked must be something this machine can show or be asked. */
async function checkSeen(job: string, body: NewEvent["body"]): Promise<void> {
  const sees =
    body.type === "compared"
      ? body.sees
      : body.type === "timed"
        ? [{ setup: body.setup, part: body.part, label: body.label }]
        : body.type === "reading" && body.test.function === "look" && body.shown.kind === "label"
          ? [{ setup: body.test.setup, part: body.test.red, label: body.shown.label, instant: body.test.instant }]
          : [];
  if (
    sees.length === 0 &&
    !["answered", "standing", "noticed", "tried", "alone", "setting", "decided", "matched", "waiting"].includes(
      body.type,
    )
  )
    return;
  const [row] = await database().select({ machineHash: jobs.machineHash }).from(jobs).where(eq(jobs.id, job));
  const { file } = await machineByHash(row!.machineHash);
  const changes = standingChanges(await eventsOf(job));
  const machine =
    changes.length === 0
      ? (await machineByHash(row!.machineHash)).machine
      : compileMachine(applyChanges(file, changes));
  if (body.type === "standing" && !machine.setupById.has(body.setup))
    throw new Refusal(
      400,
      `${machine.file.maker} ${machine.file.model} has no setup ${body.setup}. Nothing was logged.`,
    );
  const problem =
    body.type === "answered"
      ? unaskable(machine, body.first)
      : body.type === "noticed"
        ? unknownSign(machine, body.part, body.sign)
        : body.type === "alone"
          ? machine.partById.has(body.part)
            ? null
            : `${machine.file.maker} ${machine.file.model} has no part ${body.part}. Nothing was logged.`
          : body.type === "setting"
            ? await unsettable(job, machine, body)
            : body.type === "waiting"
              ? body.piece === undefined
                ? null
                : unknownPiece(machine, body.piece)
              : body.type === "tried" || body.type === "decided" || body.type === "matched"
                ? unknownPiece(machine, body.piece)
                : sees.map((s) => unseeable(machine, s)).find((p) => p !== null);
  if (problem) throw new Refusal(400, problem);
}

/** What the work after the search may not do: a photo that is not there, a repair made good that was never temporary. */
async function checkWork(tx: Transaction, job: string, body: NewEvent["body"]): Promise<void> {
  if (body.type === "photo" && !(await hasPhoto(body.hash)))
    throw new Refusal(400, "That photo is not kept here. Send it first; nothing was logged.");
  if (body.type !== "made good") return;
  const [own] = await tx.select({ unit: jobs.unit }).from(jobs).where(eq(jobs.id, job));
  const [target] = await tx
    .select({ body: events.body })
    .from(events)
    .innerJoin(jobs, eq(events.job, jobs.id))
    .where(and(eq(events.id, body.event), eq(jobs.unit, own!.unit)));
  const decided =
    target &&
    ((typeof target.body === "string" ? JSON.parse(target.body) : target.body) as {
      type: string;
      temporary?: boolean;
    });
  if (decided?.type !== "decided" || !decided.temporary)
    throw new Refusal(404, "This unit has no such temporary repair to make good.");
}

/** Why a setting cannot be logged: the machine has none of that name, or it is changed before it was recorded as found. */
async function unsettable(
  job: string,
  machine: Machine,
  body: { readonly setting: string; readonly moment: "found" | "set" },
): Promise<string | null> {
  const setting = machine.file.settings.find((s) => s.id === body.setting);
  if (!setting)
    return `${machine.file.maker} ${machine.file.model} has no setting ${body.setting}. Nothing was logged.`;
  const found = (await eventsOf(job)).some(
    (e) => e.body.type === "setting" && e.body.setting === body.setting && e.body.moment === "found",
  );
  return body.moment === "set" && !found
    ? `${setting.name}: record what was found before it is changed. Nothing was logged.`
    : null;
}

/** What later finds build on cannot be taken back before them. */
async function checkWithout(job: string, event: string): Promise<void> {
  const [row] = await database().select({ machineHash: jobs.machineHash }).from(jobs).where(eq(jobs.id, job));
  const { file } = await machineByHash(row!.machineHash);
  try {
    applyChanges(file, standingChanges((await eventsOf(job)).filter((e) => e.id !== event)));
  } catch (error) {
    if (error instanceof ChangeError)
      throw new Refusal(409, `Something found later builds on this; take that back first. ${error.message}`);
    throw error;
  }
}

/** What was found on the unit and not taken back, in order. */
export function standingChanges(journal: readonly JournalEvent[]): Change[] {
  const struck = new Set(journal.flatMap((e) => (e.body.type === "struck" ? [e.body.event] : [])));
  return journal.flatMap((e) =>
    e.body.type === "varied" && !struck.has(e.id) ? [e.body.change] : e.body.type === "modified" ? e.body.changes : [],
  );
}

/** Writes the event and what the start screen shows of the job. The caller holds the lock. */
export async function insertEvent(
  tx: Transaction,
  job: string,
  seq: number,
  event: NewEvent,
  now: Date,
): Promise<JournalEvent> {
  const body = JSON.parse(JSON.stringify(event.body)) as NewEvent["body"];
  await tx
    .insert(events)
    .values({ id: event.id, job, seq, v: event.v, actor: event.actor, at: now, body, sent: sentHash(job, event) });
  await project(tx, job, seq);
  return { ...event, body, job, seq, at: now.toISOString() };
}

/** Renews the number of the last event and what the start screen shows of a job, from its events alone. */
async function project(tx: Transaction, job: string, lastSeq: number): Promise<void> {
  const all = (await tx.select().from(events).where(eq(events.job, job)).orderBy(asc(events.seq))).map(toEvent);
  const called = all.find((e) => e.body.type === "called");
  const before = called ? all.filter((e) => e.seq < called.seq) : all;
  const struck = new Set(before.flatMap((e) => (e.body.type === "struck" ? [e.body.event] : [])));
  const readings = before.filter((e) => e.body.type === "reading" && !struck.has(e.id)).length;
  await tx
    .update(jobs)
    .set({ lastSeq, readings, result: called?.body.type === "called" ? called.body.pieceName : null })
    .where(eq(jobs.id, job));
}

/** Events of a job after a sequence number, in order. */
export async function eventsOf(job: string, after = 0): Promise<JournalEvent[]> {
  const rows = await database()
    .select()
    .from(events)
    .where(and(eq(events.job, job), gt(events.seq, after)))
    .orderBy(asc(events.seq));
  return rows.map(toEvent);
}

function typeOf(body: unknown): string {
  return ((typeof body === "string" ? JSON.parse(body) : body) as { type: string }).type;
}

function toEvent(row: typeof events.$inferSelect): JournalEvent {
  return upcast({
    id: row.id,
    job: row.job,
    seq: row.seq,
    v: row.v,
    actor: row.actor,
    at: row.at.toISOString(),
    body: typeof row.body === "string" ? JSON.parse(row.body) : row.body,
  });
}
