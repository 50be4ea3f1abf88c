import { randomUUID as uuid } from "node:crypto";
import type { EventBody, JournalEvent, NewEvent } from "../../src/core/journal/events";
import { closeDatabase, inTransaction } from "../../src/server/db";
import { appendEvent } from "../../src/server/journal";
import { openJob } from "../../src/server/jobs";
import { learned } from "../../src/server/learning";
import { keepMachineFiles } from "../../src/server/shipped";
import { registerUnit } from "../../src/server/units";

/** A moment at which the tests of the server take place. */
export const NOW = new Date("2026-11-24T09:00:00.000Z");
const MACHINES = new URL("../../machines/", import.meta.url).pathname;

/** The shipped machines in the database of the tests. */
export async function prepareShop(): Promise<void> {
  if (!process.env.UNZO_DATABASE_URL) throw new Error("These tests need the private database: run them by npm test.");
  await keepMachineFiles(MACHINES, NOW);
}

/** A unit of a machine with a serial number of its own. */
export async function newUnit(machine: string, plate: { site?: string; serial?: string | null } = {}): Promise<string> {
  const id = uuid();
  const { site = "Test hut", serial = id.slice(0, 8) } = plate;
  const unit = { id, site, serial, machine, productCode: null, productIndex: null };
  await inTransaction((tx) => registerUnit(tx, unit, "Ida", NOW));
  return id;
}

/** A job on a unit, whether or not it has an open one. */
export async function newJob(unit: string, complaint: string): Promise<string> {
  return (await openJob({ id: uuid(), unit, complaint, actor: "Ida", again: true }, NOW)).id;
}

export const entry = (body: EventBody, id = uuid()): NewEvent => ({ id, v: 1, actor: "Ida", body });
export const log = (job: string, body: EventBody): Promise<JournalEvent> => appendEvent(job, entry(body), NOW);

/** A request as our own pages send it. */
export function posted(body: unknown, headers: Record<string, string> = {}): Request {
  return new Request("http://127.0.0.1/", {
    method: "POST",
    headers: { host: "127.0.0.1", "content-type": "application/json", ...headers },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });
}
export const asked = (query = ""): Request =>
  new Request(`http://127.0.0.1/${query}`, { headers: { host: "127.0.0.1" } });

/** What goes with a route whose address holds an id. */
export const at = (id: string) => ({ params: Promise.resolve({ id }) });

/** Status and sentence of an answer. */
export async function said(response: Response): Promise<{ status: number; error: string }> {
  const { error = "" } = (await response.json()) as { error?: string };
  return { status: response.status, error };
}

/** Ends what a test file began: what was closed is learned from first. */
export async function closeShop(): Promise<void> {
  await learned();
  await closeDatabase();
}
