import { inArray } from "drizzle-orm";
import { type JournalEvent, readJournal, type ReadJournal, type StoredEvent } from "../core/journal";
import { database } from "./db";
import { events } from "./schema";
import { bodyOf, entriesOf } from "./streams";

/** Events of a job after a sequence number, in order, as far as this program can read them. */
export async function eventsOf(job: string, after = 0): Promise<readonly JournalEvent[]> {
  return (await journalOf(job, after)).events;
}

/** The journal of a job after a sequence number: what can be read, and what a later program wrote. */
export async function journalOf(job: string, after = 0): Promise<ReadJournal> {
  return readJournal((await entriesOf(database(), job, after)).map(storedOf));
}

/** The journals of several jobs, by job. */
export async function journalsOf(ids: readonly string[]): Promise<ReadonlyMap<string, ReadJournal>> {
  if (ids.length === 0) return new Map();
  const rows = await database()
    .select()
    .from(events)
    .where(inArray(events.stream, [...ids]))
    .orderBy(events.stream, events.seq);
  const byJob = new Map<string, StoredEvent[]>(ids.map((id) => [id, []]));
  for (const row of rows) byJob.get(row.stream)!.push(storedOf(row));
  return new Map([...byJob].map(([id, stored]) => [id, readJournal(stored)]));
}

/** A row as the journal stores it. */
export function storedOf(row: typeof events.$inferSelect): StoredEvent {
  return {
    id: row.id,
    job: row.stream,
    seq: row.seq,
    v: row.v,
    actor: row.actor,
    at: row.at.toISOString(),
    body: bodyOf(row),
  };
}
