import { z } from "zod";
import { entrySchema } from "../../contract/entries";
import type { JournalEvent } from "../../core/journal";

/**
 * Entries on their way to the journal, in the browser's own store: a page reloaded or left in the middle sends again
 * what it had not yet been told is written. Each bears its own id, so it counts once however often it is sent.
 */
const placeOf = (job: string) => `unzo.outbox.${job}`;

/** What was on its way when this job was last left, in the order in which it was entered. */
export function outboxOf(job: string): readonly JournalEvent[] {
  try {
    return z.array(entrySchema).parse(JSON.parse(localStorage.getItem(placeOf(job)) ?? "[]"));
  } catch {
    // Closed, or not ours.
    return [];
  }
}

/** Puts an entry with what is on its way. Another page on the same job keeps its own there too. */
export function putInOutbox(entry: JournalEvent): void {
  keep(entry.job, [...outboxOf(entry.job).filter((e) => e.id !== entry.id), entry]);
}

/** Takes out what is written, or was refused. */
export function takeFromOutbox(entry: JournalEvent): void {
  keep(
    entry.job,
    outboxOf(entry.job).filter((e) => e.id !== entry.id),
  );
}

function keep(job: string, entries: readonly JournalEvent[]): void {
  try {
    if (entries.length === 0) localStorage.removeItem(placeOf(job));
    else localStorage.setItem(placeOf(job), JSON.stringify(entries));
  } catch {
    // Closed or full: then only what the browser itself still sends is saved.
  }
}
