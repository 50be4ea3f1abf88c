import { z } from "zod";
import { entrySchema } from "../../contract/entries";
import type { JournalEvent } from "../../core/journal";

/**
 * Entries on their way to the journal, in the browser's own store: a page reloaded or left in the middle sends again
 * what it had not yet been told is written. Each bears its own id, so it counts once however often it is sent. What is
 * written stays a little: a page that was asked for before that does not know it, and takes it for its own.
 */
const placeOf = (job: string) => `unzo.outbox.${job}`;

const keptSchema = z.array(z.object({ entry: entrySchema, isWritten: z.boolean() }));
type Kept = z.output<typeof keptSchema>[number];

/** So many that are written are remembered. */
const MOST_WRITTEN = 20;

function kept(job: string): readonly Kept[] {
  try {
    return keptSchema.parse(JSON.parse(localStorage.getItem(placeOf(job)) ?? "[]"));
  } catch {
    // Closed, or not ours.
    return [];
  }
}

/** What was on its way when this job was last left, in the order in which it was entered; and what had just arrived. */
export function outboxOf(job: string): {
  readonly unsent: readonly JournalEvent[];
  readonly written: readonly string[];
} {
  const all = kept(job);
  return {
    unsent: all.filter((k) => !k.isWritten).map((k) => k.entry),
    written: all.filter((k) => k.isWritten).map((k) => k.entry.id),
  };
}

/** Puts an entry with what is on its way. Another page on the same job keeps its own there too. */
export function putInOutbox(entry: JournalEvent): void {
  keep(entry.job, [...without(entry), { entry, isWritten: false }]);
}

/** Takes out what is written, or was refused. */
export function takeFromOutbox(entry: JournalEvent, isWritten: boolean): void {
  keep(entry.job, [...without(entry), ...(isWritten ? [{ entry, isWritten }] : [])]);
}

const without = (entry: JournalEvent) => kept(entry.job).filter((k) => k.entry.id !== entry.id);

function keep(job: string, all: readonly Kept[]): void {
  const written = all.filter((k) => k.isWritten).slice(-MOST_WRITTEN);
  const left = all.filter((k) => !k.isWritten || written.includes(k));
  try {
    if (left.length === 0) localStorage.removeItem(placeOf(job));
    else localStorage.setItem(placeOf(job), JSON.stringify(left));
  } catch {
    // Closed or full: then only what the browser itself still sends is saved.
  }
}
