import { and, eq, inArray, sql } from "drizzle-orm";
import {
  type MachineNames,
  type Term,
  TERM_FIELDS,
  type TermField,
  termsOf,
  termsOfJob,
  TERMS_VERSION,
} from "../core/history";
import type { JournalEvent } from "../core/journal";
import { database, type Database, inTransaction, type Tx } from "./db";
import { machineNames } from "./library";
import { everyJournal, isCurrent, markCurrent } from "./projections";
import { terms } from "./schema";

/** Rows of one statement. */
const ROWS = 1000;
const NAME = "terms";

type TermRow = typeof terms.$inferInsert;

const rowsOf = (job: number, found: readonly Term[]) =>
  found.map(({ term, field }) => ({ term, job, field: TERM_FIELDS.indexOf(field) }));

async function insertTerms(db: Database, rows: readonly TermRow[]): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS)
    await db
      .insert(terms)
      .ignore()
      .values(rows.slice(i, i + ROWS));
}

/** Keeps a job findable by an entry that was just written into its journal, inside the same transaction. */
export async function indexEntry(tx: Tx, job: number, entry: JournalEvent, names: MachineNames): Promise<void> {
  await insertTerms(tx, rowsOf(job, termsOf(entry, names)));
}

/** Takes back as evidence what was struck out: the terms of evidence are those of the journal without it. */
export async function indexEvidence(
  tx: Tx,
  job: number,
  entries: readonly JournalEvent[],
  names: MachineNames,
): Promise<void> {
  const field: TermField = "evidence";
  await tx.delete(terms).where(
    and(
      eq(terms.job, job),
      eq(terms.field, TERM_FIELDS.indexOf(field)),
      inArray(
        terms.term,
        entries.flatMap((e) => termsOf(e, names).flatMap((t) => (t.field === field ? [t.term] : []))),
      ),
    ),
  );
  await insertTerms(
    tx,
    rowsOf(
      job,
      termsOfJob(entries, names).filter((t) => t.field === field),
    ),
  );
}

/** Reads every journal anew where the index was made in another way than today, or never. */
export async function keepTerms(onBatch: (read: number) => void = () => {}): Promise<void> {
  if (!(await isCurrent(NAME, TERMS_VERSION))) await rebuildTerms(onBatch);
}

/** Throws the index away and makes it anew from the journals. Nobody may write meanwhile. */
export async function rebuildTerms(onBatch: (read: number) => void = () => {}): Promise<void> {
  await database().execute(sql`TRUNCATE TABLE ${terms}`);
  let read = 0;
  for await (const batch of everyJournal()) {
    const made: TermRow[] = [];
    for (const { no, hash, journal } of batch)
      made.push(...rowsOf(no, termsOfJob(journal.events, await machineNames(hash))));
    // In the order of the key, and written down once: many rows lie side by side.
    made.sort((a, b) => (a.term < b.term ? -1 : 1));
    await inTransaction((tx) => insertTerms(tx, made));
    onBatch((read += batch.length));
  }
  await markCurrent(NAME, TERMS_VERSION);
}
