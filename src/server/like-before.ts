import { and, desc, eq, inArray, isNotNull, ne, sql } from "drizzle-orm";
import { alikeBy, featureOf, machineFilter, TERM_FIELDS, termsOfJob } from "../core/history";
import { jobOn, workedMinutes } from "../core/journal";
import type { JobBefore } from "../contract/jobs";
import { database } from "./db";
import { journalOf, journalsOf } from "./journals";
import { machineNames } from "./library";
import { machineByHash } from "./machine-store";
import { Refusal } from "./refusal";
import { jobs, outcomes, terms, units } from "./schema";
import { say } from "#words/server";

/** Past jobs shown. */
const SHOWN = 4;
/** Newest jobs looked at for one thing that was seen: older ones say little more. */
const LOOKED = 400;
/** What shares less than this with the present job is not like it; the same complaint alone is, where it is not usual. */
const ALIKE = 0.05;
const EVIDENCE = TERM_FIELDS.indexOf("evidence");

/** Closed jobs on this type of machine that showed what this one shows, the most alike first. */
export async function likeBefore(job: string): Promise<readonly JobBefore[]> {
  const db = database();
  const [row] = await db.select({ no: jobs.no, hash: jobs.machineHash }).from(jobs).where(eq(jobs.id, job));
  if (!row) throw new Refusal(404, say.thereIsNoSuchJob);
  const names = await machineNames(row.hash);
  const { events } = await journalOf(job);
  const mine = new Map(
    events.flatMap(({ body }) => {
      const feature = featureOf(body, names.id);
      return feature ? [[feature.term, feature.words] as const] : [];
    }),
  );
  const standing = new Set(termsOfJob(events, names).flatMap((t) => (t.field === "evidence" ? [t.term] : [])));
  const shared = new Map<number, string[]>();
  const seen = [];
  for (const term of standing) {
    const rows = await db
      .select({ job: terms.job })
      .from(terms)
      .where(and(eq(terms.term, term), eq(terms.field, EVIDENCE)))
      .orderBy(desc(terms.job))
      .limit(LOOKED);
    seen.push({ term, jobs: rows.length });
    for (const { job: no } of rows) if (no !== row.no) shared.set(no, [...(shared.get(no) ?? []), term]);
  }
  const total = await jobsOn(names.id);
  const past = [...shared].map(([no, terms]) => ({ job: String(no), shared: terms }));
  const alike = alikeBy(seen, past, total).filter((a) => a.likeness >= ALIKE);
  return (await closedOf(alike.map((a) => Number(a.job)))).map(({ no, ...before }) => {
    const { likeness, shared } = alike.find((a) => a.job === String(no))!;
    return { ...before, likeness, shared: shared.map((term) => mine.get(term)!) };
  });
}

/** A job that says nothing of itself says nothing of whether it held. */
const heldIn = (held: string | null) => ({ held: (held ?? "not known") as JobBefore["held"] });

/** Jobs on a type of machine, as far as counted. */
async function jobsOn(machine: string): Promise<number> {
  const some = database()
    .select({ job: terms.job })
    .from(terms)
    .where(eq(terms.term, machineFilter(machine)))
    .limit(LOOKED)
    .as("some");
  const [counted] = await database()
    .select({ n: sql<number>`COUNT(*)` })
    .from(some);
  return Number(counted!.n);
}

/** What came of the first closed ones among some jobs, in the order given. */
async function closedOf(numbers: readonly number[]) {
  if (numbers.length === 0) return [];
  const some = numbers.slice(0, 10 * SHOWN);
  const closed = await database()
    .select({ id: jobs.id, no: jobs.no, hash: jobs.machineHash, site: units.site, held: outcomes.held })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .leftJoin(outcomes, eq(outcomes.job, jobs.id))
    .where(and(inArray(jobs.no, [...some]), isNotNull(jobs.closedAt), ne(jobs.result, "dropped")));
  // Only what is shown is read.
  const rows = closed.sort((a, b) => some.indexOf(a.no) - some.indexOf(b.no)).slice(0, SHOWN);
  const journals = await journalsOf(rows.map((r) => r.id));
  const told = [];
  for (const { id, no, hash, site, held } of rows) {
    const { events } = journals.get(id)!;
    const folded = jobOn((await machineByHash(hash)).machine, events);
    if (!folded.called) continue;
    const { at, actor, pieceName, cause } = folded.called;
    told.push({
      no,
      job: id,
      site,
      at,
      by: actor,
      piece: pieceName,
      cause,
      minutes: workedMinutes(events, Date.parse),
      ...heldIn(held),
    });
  }
  return told;
}
