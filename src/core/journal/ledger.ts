import type { Change } from "../model/as-found";
import type { EventBody, JournalEvent, RawEvent } from "./events";

type Body<T extends EventBody["type"]> = Extract<EventBody, { type: T }>;

/** Types of entry that can be struck out. */
export const STRIKABLE: ReadonlySet<EventBody["type"]> = new Set<EventBody["type"]>([
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
]);

/**
 * What decisions about a job's next entry rest on, kept event by event: taking in one more costs the same however long the
 * journal is. The same on server and in the browser. `enter` changes the ledger in place; nothing else does.
 */
export interface Ledger {
  readonly job: string;
  lastSeq: number;
  opened: Body<"opened"> | null;
  /** Every entry that can be read, by its id. */
  readonly entries: Map<string, { readonly type: EventBody["type"]; struck: boolean }>;
  /** What was found on the unit or built into it and not taken back, in order. */
  changes: readonly { readonly id: string; readonly changes: readonly Change[] }[];
  /** Settings recorded as found, by the entry that says so. */
  readonly found: Map<string, string>;
  /** Temporary repairs that were decided here. */
  readonly temporary: Set<string>;
  /** What is waited for, by its name, and since when (ISO 8601). */
  readonly waits: Map<string, { readonly body: Body<"waiting">; readonly at: string }>;
  /** Readings that count: neither struck out nor made after the job was closed. */
  readings: number;
  called: Body<"called"> | null;
  /** Entries of a later program. With any of them nothing more is added: one may be a change of the circuit. */
  unreadable: number;
}

/** The ledger of a journal without entries. */
export function emptyLedger(job: string): Ledger {
  return {
    job,
    lastSeq: 0,
    opened: null,
    entries: new Map(),
    changes: [],
    found: new Map(),
    temporary: new Set(),
    waits: new Map(),
    readings: 0,
    called: null,
    unreadable: 0,
  };
}

/** The ledger of a whole journal, in any order. */
export function ledgerOf(job: string, events: readonly (JournalEvent | RawEvent)[]): Ledger {
  const ledger = emptyLedger(job);
  for (const event of [...events].sort((a, b) => a.seq - b.seq)) enter(ledger, event);
  return ledger;
}

/** Takes in the entry that follows. Throws a RangeError for one that does not follow. */
export function enter(ledger: Ledger, event: JournalEvent | RawEvent): void {
  if (event.seq !== ledger.lastSeq + 1)
    throw new RangeError(`Entry ${event.seq} does not follow entry ${ledger.lastSeq} of job ${ledger.job}.`);
  ledger.lastSeq = event.seq;
  if ("raw" in event) ledger.unreadable++;
  else take(ledger, event);
}

function take(ledger: Ledger, event: JournalEvent): void {
  const { id, body } = event;
  ledger.entries.set(id, { type: body.type, struck: false });
  // A temporary repair counts for the unit whenever it is written; what else comes after the call changes nothing.
  if (body.type === "decided" && body.temporary) ledger.temporary.add(id);
  if (ledger.called) return;
  switch (body.type) {
    case "opened":
      ledger.opened = body;
      break;
    case "reading":
      ledger.readings++;
      break;
    case "struck":
      strike(ledger, body.event);
      break;
    case "varied":
      ledger.changes = [...ledger.changes, { id, changes: [body.change] }];
      break;
    case "modified":
      ledger.changes = [...ledger.changes, { id, changes: body.changes }];
      break;
    case "setting":
      if (body.moment === "found") ledger.found.set(id, body.setting);
      break;
    case "waiting":
      ledger.waits.set(body.wait, { body, at: event.at });
      break;
    case "waited":
      ledger.waits.delete(body.wait);
      break;
    case "called":
      ledger.called = body;
      ledger.waits.clear();
      break;
  }
}

/** What was found on the unit or built into it and not taken back, in order. */
export function activeChanges(ledger: Ledger): readonly Change[] {
  return ledger.changes.flatMap((c) => c.changes);
}

/** The same from the readable events of a journal, in order. */
export function changesIn(events: readonly JournalEvent[]): readonly Change[] {
  const ledger = emptyLedger("");
  for (const event of events) take(ledger, event);
  return activeChanges(ledger);
}

function strike(ledger: Ledger, id: string): void {
  const entry = ledger.entries.get(id);
  if (!entry || entry.struck || !STRIKABLE.has(entry.type)) return;
  entry.struck = true;
  if (entry.type === "reading") ledger.readings--;
  if (entry.type === "varied") ledger.changes = ledger.changes.filter((c) => c.id !== id);
  ledger.found.delete(id);
}
