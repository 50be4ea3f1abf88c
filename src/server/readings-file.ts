import { eq } from "drizzle-orm";
import type { MeterFunction } from "../core/instrument";
import { type JournalEvent, type Job, jobOn } from "../core/journal";
import { type Cells, csv } from "./csv";
import { database } from "./db";
import { readJob } from "./jobs";
import { Refusal } from "./refusal";
import { jobs } from "./schema";
import { unitRow } from "./units";
import { say } from "#words/server";

/** Units in which the functions of a meter read, SI. */
const UNITS: Readonly<Partial<Record<MeterFunction, string>>> = {
  dcv: "V",
  acv: "V",
  lowz: "V",
  ohms: "ohm",
  clamp: "A",
  dcclamp: "A",
  inrush: "A",
  hertz: "Hz",
  capacitance: "F",
  insulation: "ohm",
};

/** The readings of a job as lines, struck-out ones with their reason. */
export async function readingsFile(id: string): Promise<string> {
  const { events, machine } = await readJob(id);
  return csv(events[0]?.body.type === "opened" ? linesOf(jobOn(machine, events), events) : []);
}

/** The readings of all jobs of a unit, the oldest first. */
export async function unitReadingsFile(unit: string): Promise<string> {
  await unitRow(database(), unit);
  const rows = await database().select({ id: jobs.id }).from(jobs).where(eq(jobs.unit, unit)).orderBy(jobs.openedAt);
  if (rows.length === 0) throw new Refusal(404, say.thereIsNoSuchJob);
  const lines: Cells[number][] = [];
  for (const { id } of rows) {
    const { events, machine } = await readJob(id);
    if (events[0]?.body.type === "opened") lines.push(...linesOf(jobOn(machine, events), events));
  }
  return csv(lines);
}

function linesOf({ id, opened, readings }: Job, events: readonly JournalEvent[]): Cells {
  const machine = events[0]!.body.type === "opened" ? events[0]!.body.machine : "";
  return readings.map(({ at, actor, body, struck }) => ({
    job: id,
    site: opened.site,
    machine,
    serial: opened.serial,
    at,
    person: actor,
    setup: body.test.setup,
    function: body.test.function,
    red: body.test.red,
    black: body.test.black ?? null,
    instant: body.test.instant,
    typed: body.typed,
    value: body.shown.kind === "value" ? body.shown.value : null,
    unit: body.shown.kind === "value" ? (UNITS[body.test.function] ?? null) : null,
    shown: body.as.shown,
    expected: body.as.expected,
    verdict: body.as.verdict,
    test: body.as.title,
    struck: struck?.reason ?? null,
  }));
}
