import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import type { Done } from "../core/journal/fold";
import { jobOn } from "../core/journal/job";
import { database } from "./db";
import { eventsOf } from "./journal";
import { machineByHash } from "./machines";
import { Refusal } from "./refusal";
import { events, jobs, units } from "./schema";

/** What stays with a unit from job to job. */
export interface UnitRecord {
  readonly id: string;
  readonly site: string;
  readonly serial: string;
  readonly machine: string;
  readonly machineName: string;
  readonly jobs: readonly {
    readonly id: string;
    readonly openedAt: string;
    readonly complaint: string;
    readonly result: string | null;
  }[];
  /** Temporary repairs that nobody has made good yet. */
  readonly temporary: readonly (Done<"decided"> & { readonly job: string })[];
  /** Changes to its circuit, for ever. */
  readonly modifications: readonly (Done<"modified"> & { readonly job: string })[];
  /** Settings as they were last found or left. */
  readonly settings: readonly { readonly setting: string; readonly value: string; readonly at: string }[];
}

/** The record of a unit, from the journals of all its jobs. */
export async function unitRecord(id: string): Promise<UnitRecord> {
  if (!z.uuid().safeParse(id).success) throw new Refusal(404, "There is no such unit.");
  const [unit] = await database().select().from(units).where(eq(units.id, id));
  if (!unit) throw new Refusal(404, "There is no such unit.");
  const rows = await database().select().from(jobs).where(eq(jobs.unit, id)).orderBy(asc(jobs.openedAt), asc(jobs.id));
  const folded = await Promise.all(
    rows.map(async (row) => jobOn((await machineByHash(row.machineHash)).machine, await eventsOf(row.id))),
  );
  const good = new Set(folded.flatMap((j) => j.work.madeGood.map((m) => m.body.event)));
  const settings = new Map<string, { setting: string; value: string; at: string }>();
  for (const job of folded)
    for (const { body, at } of job.answers)
      if (body.type === "setting") settings.set(body.setting, { setting: body.setting, value: body.value, at });
  const file = rows.length > 0 ? (await machineByHash(rows[rows.length - 1]!.machineHash)).file : null;
  return {
    id,
    site: unit.site,
    serial: unit.serial,
    machine: unit.machine,
    machineName: file ? `${file.maker} ${file.model}` : unit.machine,
    jobs: [...rows]
      .reverse()
      .map((r) => ({ id: r.id, openedAt: r.openedAt.toISOString(), complaint: r.complaint, result: r.result })),
    temporary: folded.flatMap((j) =>
      j.work.decisions.filter((d) => d.body.temporary && !good.has(d.id)).map((d) => ({ ...d, job: j.id })),
    ),
    modifications: folded.flatMap((j) => j.work.modifications.map((m) => ({ ...m, job: j.id }))),
    settings: [...settings.values()],
  };
}

/** The unit of a job. */
export async function unitOfJob(job: string): Promise<string> {
  const [row] = await database().select({ unit: jobs.unit }).from(jobs).where(eq(jobs.id, job));
  if (!row) throw new Refusal(404, "There is no such job.");
  return row.unit;
}

/** Something that is waited for, wherever one is. */
export interface OpenWait {
  readonly job: string;
  readonly site: string;
  readonly wait: string;
  readonly words: string;
  /** The piece whose repair it belongs to, where the journal says. */
  readonly piece: string | null;
  /** When it is due, ISO 8601. */
  readonly due: string;
}

/** Everything that is waited for in open jobs, the soonest first. */
export async function openWaits(): Promise<readonly OpenWait[]> {
  const type = sql<string>`json_unquote(json_extract(${events.body}, '$.type'))`;
  const rows = await database()
    .select({ job: events.job, site: units.site, at: events.at, body: events.body })
    .from(events)
    .innerJoin(jobs, eq(events.job, jobs.id))
    .innerJoin(units, eq(jobs.unit, units.id))
    .where(and(isNull(jobs.result), sql`${type} in ('waiting', 'waited')`))
    .orderBy(desc(jobs.openedAt), asc(events.seq));
  const open = new Map<string, OpenWait>();
  for (const row of rows) {
    const body = (typeof row.body === "string" ? JSON.parse(row.body) : row.body) as {
      type: "waiting" | "waited";
      wait: string;
      words: string;
      seconds: number;
      piece?: string;
    };
    const key = `${row.job} ${body.wait}`;
    if (body.type === "waited") open.delete(key);
    else
      open.set(key, {
        job: row.job,
        site: row.site,
        wait: body.wait,
        words: body.words,
        piece: body.piece ?? null,
        due: new Date(row.at.getTime() + 1000 * body.seconds).toISOString(),
      });
  }
  return [...open.values()].sort((a, b) => (a.due < b.due ? -1 : 1));
}
