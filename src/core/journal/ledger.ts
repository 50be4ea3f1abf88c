import type { Change } from "../model";
import type { JournalEvent, RawEvent } from "./events";
import { composed, type StateOf } from "./slice";
import { changes } from "./slices/changes";
import { counting, entries, found, temporary } from "./slices/entries";
import { called, opened } from "./slices/opening";
import { waits } from "./slices/repair-work";
import { standing } from "./slices/unit-state";
import { say } from "#words/core/journal";

const SLICES = { opened, entries, changes, standing, found, temporary, waits, counting, called };
const LEDGER = composed<unknown, typeof SLICES>(SLICES);

/**
 * What decisions about a job's next entry rest on, slices of the journal kept event by event: taking in one more costs
 * the same however long the journal is. The same on server and in the browser. `enter` changes the ledger in place;
 * nothing else does.
 */
export interface Ledger {
  readonly job: string;
  lastSeq: number;
  told: StateOf<typeof LEDGER>;
  /** Entries of a later program. With any of them nothing more is added: one may be a change of the circuit. */
  unreadable: number;
}

/** The ledger of a journal without entries. */
export function emptyLedger(job: string): Ledger {
  return { job, lastSeq: 0, told: LEDGER.init(undefined), unreadable: 0 };
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
    throw new RangeError(say.entryDoesNotFollowEntry(event.seq, ledger.lastSeq, ledger.job));
  ledger.lastSeq = event.seq;
  if ("raw" in event) ledger.unreadable++;
  else ledger.told = LEDGER.apply(ledger.told, event, undefined);
}

/** What was found on the unit or built into it and not taken back, in order. */
export function activeChanges(ledger: Ledger): readonly Change[] {
  return ledger.told.changes.flatMap((c) => c.changes);
}
