import { and, asc, desc, gte, inArray, isNotNull, isNull, lt, type SQL, sql } from "drizzle-orm";
import {
  isFoundBy,
  machineFilter,
  matchesOf,
  personFilter,
  type SearchWord,
  searchWords,
  TERM_FIELDS,
  type TermField,
  termsIn,
} from "../core/history";
import type { Find, FindFilters, Found, FoundJob, FoundMachine } from "../contract/find";
import { database, type Database } from "./db";
import { jobRows } from "./jobs";
import { journalsOf } from "./journals";
import { librarySummaries, machineNames } from "./library";
import { jobs } from "./schema";
import { searchUnits } from "./units";

/** Jobs shown at once. */
const PAGE = 20;
/** Words that one beginning may stand for; of more only so many jobs are looked through. */
const MOST_TERMS = 24;
const MOST_ROWS = 20_000;
const MOST_MACHINES = 8;

/** Rows of the index that a word stands for. */
interface Wanted {
  /** As a condition on the table by its short name. */
  is(table: "d" | "t"): SQL;
  /** Terms one by one; null: all that lie between two. */
  readonly terms: readonly string[] | null;
  readonly field: TermField | null;
  /** Rows with it, about: the rarest is asked for first. */
  readonly rows: number;
}

/** Everything that fits what is typed: jobs by what stands in their journals, with why; units; machines. */
export async function findAnything(asked: Find): Promise<Found> {
  const words = searchWords(asked.q);
  const { before, where, state, machine, person, since } = asked;
  const isFiltered = [where, state, machine, person, since].some((f) => f !== "");
  const [found, units, machines] = await Promise.all([
    findJobs(asked, words),
    words.length === 0 || isFiltered || before < Number.MAX_SAFE_INTEGER
      ? []
      : searchUnits(asked.q).then((u) => u.units),
    words.length === 0 || isFiltered || before < Number.MAX_SAFE_INTEGER ? [] : findMachines(words),
  ]);
  return { ...found, units, machines };
}

async function findJobs(asked: Find, words: readonly SearchWord[]): Promise<Pick<Found, "jobs" | "next" | "isPart">> {
  const exact = [
    ...(asked.machine ? [machineFilter(asked.machine)] : []),
    ...(asked.person ? [personFilter(asked.person)] : []),
  ].map((word) => ({ word, isBeginning: false }));
  const where = asked.where === "" ? null : asked.where;
  const wanted = await Promise.all([
    ...words.map((word) => wantedBy(word, where)),
    ...exact.map((word) => wantedBy(word, "filter")),
  ]);
  if (wanted.some((w) => w.rows === 0)) return { jobs: [], next: null, isPart: false };
  const numbers = await numbersOf(asked, wanted);
  const page = numbers.slice(0, PAGE);
  return {
    jobs: await explained(page, words),
    next: numbers.length > PAGE ? page.at(-1)! : null,
    isPart: wanted.some((w) => w.terms === null),
  };
}

/**
 * The terms that a word begins, one more than are spelled out: from each on to the next by the key, for all rows of a
 * common one would be read otherwise.
 */
async function endingsOf(db: Database, word: string, end: string): Promise<readonly string[]> {
  const known: string[] = [];
  while (known.length <= MOST_TERMS) {
    const after = known.length === 0 ? sql`term >= ${word}` : sql`term > ${known.at(-1)!}`;
    const [row] = await rowsBy<{ next: string | null }>(
      db,
      sql`SELECT MIN(term) AS next FROM terms WHERE ${after} AND term < ${end}`,
    );
    if (row!.next === null) break;
    known.push(row!.next);
  }
  return known;
}

/** What a word stands for. A beginning is spelled out where it has few endings. */
async function wantedBy({ word, isBeginning }: SearchWord, field: TermField | null): Promise<Wanted> {
  const db = database();
  const end = `${word}\u{10ffff}`;
  const within = (table: SQL) => sql`${table}.term >= ${word} AND ${table}.term < ${end}`;
  const known = isBeginning ? await endingsOf(db, word, end) : [word];
  const isSpelled = known.length <= MOST_TERMS;
  const is = (name: "d" | "t") => {
    const table = sql.raw(name);
    const term = isSpelled ? sql`${table}.term IN ${known.length > 0 ? known : [""]}` : within(table);
    return field === null ? term : sql`${term} AND ${table}.field = ${TERM_FIELDS.indexOf(field)}`;
  };
  return { is, terms: isSpelled ? known : null, field, rows: await rowsAbout(db, is("d")) };
}

/**
 * How many rows of the index fit: as the database reckons it from the ends of the range, which is exact for few and within a
 * factor of two for many, and costs nothing. Of one or none it reckons one: these are looked at.
 */
async function rowsAbout(db: Database, is: SQL): Promise<number> {
  const [plan] = await rowsBy<{ rows: string | null }>(db, sql`EXPLAIN SELECT 1 FROM terms AS d WHERE ${is}`);
  const rows = Number(plan?.rows ?? 0);
  return rows > 1 ? rows : (await rowsBy(db, sql`SELECT 1 FROM terms AS d WHERE ${is} LIMIT 1`)).length;
}

/** Numbers of the jobs that have all that is wanted, the newest first: one more than a page. */
async function numbersOf({ before, state, since }: Find, wanted: readonly Wanted[]): Promise<readonly number[]> {
  const db = database();
  const ofJob: SQL[] = [
    ...(state === "open" ? [isNull(jobs.closedAt)] : []),
    ...(state === "closed" ? [isNotNull(jobs.closedAt)] : []),
    ...(since === "" ? [] : [gte(jobs.openedAt, new Date(since))]),
  ];
  const [rarest, ...others] = [...wanted].sort((a, b) => a.rows - b.rows);
  if (!rarest) {
    const rows = await db
      .select({ no: jobs.no })
      .from(jobs)
      .where(and(lt(jobs.no, before), ...ofJob))
      .orderBy(desc(jobs.no))
      .limit(PAGE + 1);
    return rows.map((r) => r.no);
  }
  const also = others.map(({ is }) => sql` AND EXISTS (SELECT 1 FROM terms AS t WHERE t.job = d.job AND ${is("t")})`);
  if (ofJob.length > 0) also.push(sql` AND EXISTS (SELECT 1 FROM jobs WHERE ${jobs.no} = d.job AND ${and(...ofJob)!})`);
  const some = (is: SQL, most: number) =>
    sql`(SELECT DISTINCT d.job FROM terms AS d WHERE ${is} AND d.job < ${before}${sql.join(also, sql``)}
      ORDER BY d.job DESC LIMIT ${most})`;
  const ofField = rarest.field === null ? sql`` : sql` AND d.field = ${TERM_FIELDS.indexOf(rarest.field)}`;
  // Each ending by itself is read from its newest job on, and left when the page is full.
  const parts = rarest.terms
    ? rarest.terms.map((term) => some(sql`d.term = ${term}${ofField}`, PAGE + 1))
    : [some(rarest.is("d"), MOST_ROWS)];
  const rows = await rowsBy<{ job: number }>(
    db,
    // Asked for every job of the rarest word by key; turned into a join the others would be read whole.
    sql`SET STATEMENT optimizer_switch = 'semijoin=off,materialization=off,exists_to_in=off' FOR
      SELECT DISTINCT job FROM (${sql.join(parts, sql` UNION ALL `)}) AS found ORDER BY job DESC LIMIT ${PAGE + 1}`,
  );
  return rows.map((r) => r.job);
}

/** Jobs by their numbers, in that order, each with why it was found. */
async function explained(numbers: readonly number[], words: readonly SearchWord[]): Promise<readonly FoundJob[]> {
  if (numbers.length === 0) return [];
  const rows = await jobRows(inArray(jobs.no, [...numbers]));
  const journals = await journalsOf(rows.map((r) => r.id));
  const found = [];
  for (const { machineHash, no, ...row } of rows) {
    const why = matchesOf(journals.get(row.id)!.events, await machineNames(machineHash), words);
    found.push({ no, ...row, why });
  }
  return found.sort((a, b) => b.no - a.no).map(({ no: _, ...row }) => row);
}

/** Machines of the library by name, board number or code. */
async function findMachines(words: readonly SearchWord[]): Promise<readonly FoundMachine[]> {
  const fits = (text: string, word: SearchWord) => [...termsIn(text)].some((term) => isFoundBy(term, word));
  return (await librarySummaries())
    .filter((m) => m.origin !== "quick")
    .flatMap((m): FoundMachine[] => {
      const name = `${m.maker} ${m.model}`;
      const texts = [`${name}, ${m.name}`, m.family, ...m.boards, ...(m.plates ?? []), ...m.codes];
      if (!words.every((word) => texts.some((text) => fits(text, word)))) return [];
      return [{ id: m.id, name, why: texts.slice(1).filter((text) => words.some((word) => fits(text, word))) }];
    })
    .slice(0, MOST_MACHINES);
}

/** The rows that a statement of one's own answers with. */
async function rowsBy<T>(db: Database, statement: SQL): Promise<readonly T[]> {
  const [rows] = (await db.execute(statement)) as unknown as [readonly T[]];
  return rows;
}

/** People named at once for the filter. */
const MOST_PEOPLE = 40;

/** What one can look in alone: machines that have units, and people who have opened jobs. */
export async function findFilters(): Promise<FindFilters> {
  const [library, people] = await Promise.all([
    librarySummaries(),
    database().selectDistinct({ person: jobs.actor }).from(jobs).orderBy(asc(jobs.actor)).limit(MOST_PEOPLE),
  ]);
  return {
    machines: library.map((m) => ({ id: m.id, name: `${m.maker} ${m.model}` })),
    people: people.map((p) => p.person),
  };
}
