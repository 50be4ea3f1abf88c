import { asc, desc, eq } from "drizzle-orm";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { learnTimes, type Times } from "../core/isolate/times";
import { stepsOf } from "../core/journal/steps";
import type { Machine } from "../core/machine/compile";
import { database } from "./db";
import { eventsOf, insertEvent } from "./journal";
import { machineByHash, newestMachine } from "./machines";
import { isDuplicate, Refusal } from "./refusal";
import { jobs, machines, units } from "./schema";
import { unitRecord } from "./units";

/** A new job in three fields; ids are made by the client, so that a form sent twice opens one job. */
export const newJobSchema = z.strictObject({
  id: z.uuid(),
  unit: z.uuid("Choose the unit."),
  complaint: z.string().min(1, "Choose the complaint.").max(60),
  actor: z.string().trim().min(1, "Say who you are.").max(80),
});

/** Opens a job on a unit. Answers the same for the same id. */
export async function openJob(input: z.output<typeof newJobSchema>, now: Date): Promise<{ id: string }> {
  const [unit] = await database().select().from(units).where(eq(units.id, input.unit));
  if (!unit) throw new Refusal(404, "There is no such unit.");
  const { hash, machine } = await newestMachine(unit.machine);
  const complaint = machine.file.complaints.find((c) => c.id === input.complaint);
  if (!complaint) throw new Refusal(400, "This machine has no such complaint; choose one from its list.");
  const [known] = await database()
    .select({ id: jobs.id, unit: jobs.unit, complaint: jobs.complaint, actor: jobs.actor })
    .from(jobs)
    .where(eq(jobs.id, input.id));
  if (known) {
    if (known.unit === unit.id && known.complaint === complaint.words && known.actor === input.actor)
      return { id: known.id };
    throw new Refusal(409, "A job with this id but another content exists already. Nothing was changed.");
  }
  // What was built into this unit in earlier jobs is part of it for ever.
  const built = (await unitRecord(unit.id)).modifications.flatMap((m) =>
    m.body.changes.map((change) => ({ change, words: `Built in earlier: ${m.body.words}`.slice(0, 300) })),
  );
  const opened = database().transaction(async (tx) => {
    await tx
      .insert(jobs)
      .values({
        id: input.id,
        unit: unit.id,
        machineHash: hash,
        openedAt: now,
        lastSeq: 0,
        complaint: complaint.words,
        actor: input.actor,
        readings: 0,
        result: null,
      });
    await insertEvent(
      tx,
      input.id,
      1,
      {
        id: uuid(),
        v: 1,
        actor: input.actor,
        body: {
          type: "opened",
          machine: machine.file.id,
          machineHash: hash,
          complaint: complaint.id,
          complaintWords: complaint.words,
          site: unit.site,
          serial: unit.serial,
        },
      },
      now,
    );
    for (const [i, change] of built.entries())
      await insertEvent(
        tx,
        input.id,
        2 + i,
        { id: uuid(), v: 1, actor: "Unit record", body: { type: "varied", ...change } },
        now,
      );
  });
  try {
    await opened;
  } catch (error) {
    // The same form sent twice at once: the other one was first, and is answered like a repeat.
    if (!isDuplicate(error)) throw error;
    return openJob(input, now);
  }
  return { id: input.id };
}

export interface JobRow {
  readonly id: string;
  readonly openedAt: string;
  readonly complaint: string;
  readonly actor: string;
  readonly readings: number;
  readonly result: string | null;
  readonly site: string;
  readonly serial: string;
  readonly machineName: string;
}

/** Jobs, newest first, for the start screen. */
export async function listJobs(): Promise<JobRow[]> {
  const rows = await database()
    .select({
      id: jobs.id,
      openedAt: jobs.openedAt,
      complaint: jobs.complaint,
      actor: jobs.actor,
      readings: jobs.readings,
      result: jobs.result,
      site: units.site,
      serial: units.serial,
      machineName: machines.name,
    })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .innerJoin(machines, eq(jobs.machineHash, machines.hash))
    .orderBy(desc(jobs.openedAt), asc(jobs.id))
    .limit(200);
  return rows.map((r) => ({ ...r, openedAt: r.openedAt.toISOString() }));
}

export interface UnitRow {
  readonly id: string;
  readonly site: string;
  readonly serial: string;
  readonly machineName: string;
  readonly complaints: readonly { readonly id: string; readonly words: string }[];
}

/** Units with the complaints their machine knows, for opening a job. */
export async function listUnits(): Promise<UnitRow[]> {
  const rows = await database().select().from(units).orderBy(asc(units.site), asc(units.serial));
  return Promise.all(
    rows.map(async (unit) => {
      const { machine } = await newestMachine(unit.machine);
      return {
        id: unit.id,
        site: unit.site,
        serial: unit.serial,
        machineName: `${machine.file.maker} ${machine.file.model}`,
        complaints: machine.file.complaints.map(({ id, words }) => ({ id, words })),
      };
    }),
  );
}

/** A job with its journal and its machine. */
export async function readJob(id: string) {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, "There is no such job.");
  const [row] = await database().select({ machineHash: jobs.machineHash }).from(jobs).where(eq(jobs.id, id));
  if (!row) throw new Refusal(404, "There is no such job.");
  const [events, { file, machine }] = await Promise.all([eventsOf(id), machineByHash(row.machineHash)]);
  return { events, file, machine };
}

/** Jobs from which times are learned, the newest first. */
const LEARNED_FROM = 60;

/** What moves on this type of machine have taken in this shop, learned from the journals of its jobs. */
export async function timesOn(machine: Machine): Promise<Times> {
  const rows = await database()
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .where(eq(units.machine, machine.file.id))
    .orderBy(desc(jobs.openedAt), asc(jobs.id))
    .limit(LEARNED_FROM);
  const journals = await Promise.all(rows.map((r) => eventsOf(r.id)));
  return learnTimes(journals.flatMap((events) => stepsOf(machine, events, (at) => Date.parse(at) / 60_000)));
}
