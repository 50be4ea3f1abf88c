import type { JournalEvent } from "../../core/journal";
import { say } from "#words/ui/job/unseen-words";

/** Which entries were not on the screen of whoever wrote the next one. */
export function unseenWords(entries: readonly JournalEvent[]): string {
  const people = [...new Set(entries.map((e) => e.actor))].join(" and ");
  return entries.length === 1 ? say.anEntryOfWasNot(people) : say.entriesOfWereNotSeen(entries.length, people);
}
