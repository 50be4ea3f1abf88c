import type { JournalEvent } from "../../core/journal";

/** Which entries were not on the screen of whoever wrote the next one. */
export function unseenWords(entries: readonly JournalEvent[]): string {
  const people = [...new Set(entries.map((e) => e.actor))].join(" and ");
  return entries.length === 1
    ? `an entry of ${people} was not seen`
    : `${entries.length} entries of ${people} were not seen`;
}
