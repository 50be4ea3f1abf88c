import { gunzipSync } from "node:zlib";
import { eq } from "drizzle-orm";
import { type EventBody, versionOf } from "../core/journal";
import { watchDays } from "../core/learn";
import { inTransaction } from "./db";
import { DEMO_UNITS, idOf } from "./demo-units";
import { newestMachine } from "./machine-store";
import { events, jobs, streams } from "./schema";
import { sentHash } from "./streams";

/** A job of the demo shop's past: played once on a simulated unit, and kept with its moments relative. */
export interface PastJob {
  readonly unit: string;
  readonly actor: string;
  readonly daysAgo: number;
  /** Seconds since it was opened, and what was written. */
  readonly entries: readonly (readonly [number, EventBody])[];
  /** What was answered when it was asked whether it held; null: nobody asked. */
  readonly held: boolean | null;
}

const DAY = 86_400_000;
/** Rows of one statement. */
const ROWS = 500;

/** The past of the demo shop as it is checked in. */
export const readHistory = (packed: Buffer): readonly PastJob[] =>
  JSON.parse(gunzipSync(packed).toString("utf8")) as readonly PastJob[];

/**
 * Writes the past of the demo shop, once: journals as they were played, on the machines as they are drawn today. What
 * follows from journals has to be worked out anew after it. Whether anything was written.
 */
export async function seedHistory(past: readonly PastJob[], now: Date): Promise<boolean> {
  const made = await Promise.all(past.map((job, i) => rowsOf(job, i, now)));
  return inTransaction(async (tx) => {
    const [known] = await tx.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, made[0]!.job.id));
    if (known) return false;
    await tx.insert(streams).values(made.map((m) => m.stream));
    await tx.insert(jobs).values(made.map((m) => m.job));
    const entries = made.flatMap((m) => m.entries);
    for (let i = 0; i < entries.length; i += ROWS) await tx.insert(events).values(entries.slice(i, i + ROWS));
    return true;
  });
}

async function rowsOf(past: PastJob, index: number, now: Date) {
  const unit = DEMO_UNITS.find((u) => u.key === past.unit)!;
  const { hash, machine } = await newestMachine(unit.machine);
  const id = idOf(`past ${index}`);
  // In the working hours of a day, by the job.
  const day = Math.floor(now.getTime() / DAY) * DAY;
  const openedAt = new Date(day - past.daysAgo * DAY + (7 + (index % 8)) * 3_600_000);
  const told = past.entries.map(([seconds, body]) => ({
    at: new Date(openedAt.getTime() + 1000 * seconds),
    body: body.type === "opened" ? { ...body, machineHash: hash } : body,
  }));
  const opened = told[0]!.body as Extract<EventBody, { type: "opened" }>;
  const called = told.find(({ body }) => body.type === "called");
  const asked = watchDays(machine.file, { comesAndGoes: false, temporary: false }) + 2;
  if (called && past.held !== null) {
    const at = new Date(called.at.getTime() + asked * DAY);
    if (at < now) told.push({ at, body: { type: "followed up", held: past.held, words: "" } });
  }
  return {
    stream: { id, kind: "job" as const, lastSeq: told.length },
    job: {
      id,
      unit: idOf(unit.key),
      machineHash: hash,
      kind: opened.kind,
      openedAt,
      closedAt: called?.at ?? null,
      complaint: opened.complaintWords ?? null,
      complaintId: opened.complaint ?? null,
      actor: past.actor,
      readings: told.filter(({ body }) => body.type === "reading").length,
      result: called?.body.type === "called" ? called.body.pieceName : null,
    },
    entries: told.map(({ at, body }, i) => {
      const entry = { id: idOf(`past ${index} entry ${i}`), v: versionOf(body.type), actor: past.actor, body };
      return { ...entry, stream: id, seq: i + 1, type: body.type, at, sent: sentHash(id, entry) };
    }),
  };
}
