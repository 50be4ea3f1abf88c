import { and, asc, eq, gt, lt } from "drizzle-orm";
import { type Held, heldOf, type Outcome, OUTCOMES_VERSION, outcomeOf } from "../core/learn";
import { type BoughtInVain, boughtInVain, type ClosedJob, type StepsTaken, stepsTaken } from "../core/figures";
import { jobOn, type JournalEvent } from "../core/journal";
import type { FollowUp } from "../contract/outcomes";
import { database, type Database, type Tx } from "./db";
import { machineByHash } from "./machine-store";
import { everyJournal, isCurrent, markCurrent } from "./projections";
import { jobs, outcomes, units } from "./schema";
import { bodyOf } from "./streams";

const NAME = "outcomes";
const DAY = 86_400_000;

type Row = typeof outcomes.$inferSelect;

type NewRow = typeof outcomes.$inferInsert;

interface JobAt {
  readonly job: string;
  readonly unit: string;
  readonly hash: string;
}

/** The row of a closed repair, by its journal; null where it says nothing. Whether it held is not known by itself. */
async function rowOf(
  { job, unit, hash }: JobAt,
  events: readonly JournalEvent[],
  db: Database = database(),
): Promise<NewRow | null> {
  const { machine } = await machineByHash(hash, db);
  const folded = jobOn(machine, events);
  const outcome = outcomeOf(folded, events, machine, Date.parse);
  if (!outcome) return null;
  const { cause, closedAt, minutes, price, ...plain } = outcome;
  const answer = folded.addenda.filter((e) => e.body.type === "followed up").at(-1);
  const held = answer?.body.type === "followed up" ? answer.body.held : null;
  return {
    ...plain,
    job,
    unit,
    closedAt: new Date(closedAt),
    dueAt: new Date(closedAt + outcome.watchDays * DAY),
    part: cause?.part ?? null,
    mode: cause?.mode ?? null,
    sort: cause?.sort ?? null,
    minutes: Math.round(minutes),
    price: price === null ? null : Math.round(price),
    answered: held,
    answeredAt: held === null ? null : new Date(answer!.at),
    held: "not known",
    heldAt: null,
    againJob: null,
    person: folded.called!.actor,
    causeWords: cause ? folded.called!.cause : null,
    inVain: boughtInVain(machine, folded, events),
    steps: stepsTaken(machine, folded, events, Date.parse),
  };
}

/** Takes what a job says of itself after an entry: what it came to when it is closed, and what was answered since. */
export async function projectOutcome(tx: Tx, at: JobAt, events: readonly JournalEvent[]): Promise<void> {
  const row = await rowOf(at, events, tx);
  if (!row) return;
  await tx.insert(outcomes).values(row).onDuplicateKeyUpdate({ set: row });
  await renewHeld(tx, at.unit);
}

/** Says anew of every repair of a unit whether it held; whether that is otherwise than before. */
export async function renewHeld(tx: Tx, unit: string): Promise<boolean> {
  const rows = await tx.select().from(outcomes).where(eq(outcomes.unit, unit));
  if (rows.length === 0) return false;
  let isNew = false;
  const opened = await tx
    .select({ job: jobs.id, complaint: jobs.complaintId, openedAt: jobs.openedAt, result: jobs.result })
    .from(jobs)
    .where(eq(jobs.unit, unit));
  const others = opened
    // A job that was opened by mistake says nothing.
    .filter((j) => j.result !== "dropped")
    .map(({ job, complaint, openedAt }) => ({ job, unit, complaint, openedAt: openedAt.getTime() }));
  for (const row of rows) {
    const held = heldOf(repairOf(row), others);
    const set = {
      held: held.kind,
      heldAt: held.kind === "not known" ? null : new Date(held.at),
      againJob: held.kind === "came back" ? held.job : null,
    };
    if (set.held === row.held && set.againJob === row.againJob) continue;
    await tx.update(outcomes).set(set).where(eq(outcomes.job, row.job));
    isNew = true;
  }
  return isNew;
}

const repairOf = (row: Row) => ({
  job: row.job,
  unit: row.unit,
  complaint: row.complaint,
  closedAt: row.closedAt.getTime(),
  watchDays: row.watchDays,
  answers: row.answered === null ? [] : [{ held: row.answered, at: row.answeredAt!.getTime() }],
});

/** What a kept row says, as core knows it. */
export function outcomeIn(row: Row): { readonly outcome: Outcome; readonly held: Held["kind"] } {
  const { part, mode, sort } = row;
  return {
    held: row.held as Held["kind"],
    outcome: {
      machine: row.machine,
      complaint: row.complaint,
      closedAt: row.closedAt.getTime(),
      watchDays: row.watchDays,
      piece: row.piece,
      cause: part !== null && mode !== null && sort !== null ? { part, mode, sort } : null,
      confirmed: row.confirmed as Outcome["confirmed"],
      option: row.option,
      noFault: row.noFault,
      minutes: row.minutes,
      price: row.price,
    },
  };
}

/** What a kept row says to the figures of the shop. */
export function closedJobIn(row: Row): ClosedJob {
  const { outcome, held } = outcomeIn(row);
  const month = `${row.closedAt.getFullYear()}-${String(row.closedAt.getMonth() + 1).padStart(2, "0")}`;
  return {
    ...outcome,
    job: row.job,
    unit: row.unit,
    person: row.person,
    month,
    held,
    again: row.againJob,
    causeWords: row.causeWords,
    inVain: bodyOf({ body: row.inVain }) as readonly BoughtInVain[],
    steps: bodyOf({ body: row.steps }) as readonly StepsTaken[],
  };
}

/** Repairs asked about at once. */
const MOST_ASKED = 30;
/** What nobody has asked after for so many days is not asked any more: whoever answered would guess. */
const ASKED_FOR = 180;

/** Repairs of which it is time to ask whether they held, those that wait longest first. */
export async function followUps(now: Date, most = MOST_ASKED): Promise<readonly FollowUp[]> {
  const rows = await database()
    .select({
      job: outcomes.job,
      site: units.site,
      result: jobs.result,
      complaint: jobs.complaint,
      closedAt: outcomes.closedAt,
      dueAt: outcomes.dueAt,
    })
    .from(outcomes)
    .innerJoin(jobs, eq(outcomes.job, jobs.id))
    .innerJoin(units, eq(outcomes.unit, units.id))
    .where(
      and(
        eq(outcomes.held, "not known"),
        eq(outcomes.noFault, false),
        lt(outcomes.dueAt, now),
        gt(outcomes.dueAt, new Date(now.getTime() - ASKED_FOR * DAY)),
      ),
    )
    .orderBy(asc(outcomes.dueAt))
    .limit(most);
  return rows.map((r) => ({ ...r, closedAt: r.closedAt.toISOString(), dueAt: r.dueAt.toISOString() }));
}

/** Reads every journal anew where outcomes were worked out in another way than today, or never. */
export async function keepOutcomes(): Promise<void> {
  if (!(await isCurrent(NAME, OUTCOMES_VERSION))) await rebuildOutcomes();
}

/** Works out anew what every closed repair came to, and whether it held. Nobody may write meanwhile. */
export async function rebuildOutcomes(): Promise<void> {
  const db = database();
  await db.delete(outcomes);
  const touched = new Set<string>();
  for await (const batch of everyJournal()) {
    const made: NewRow[] = [];
    for (const { id, hash, unit, journal } of batch) {
      const { events } = journal;
      const isClosed = events[0]?.body.type === "opened" && events.some((e) => e.body.type === "called");
      const row = isClosed ? await rowOf({ job: id, unit, hash }, events) : null;
      if (row) made.push(row);
    }
    if (made.length > 0) await db.insert(outcomes).values(made);
    for (const { unit } of made) touched.add(unit);
  }
  for (const unit of touched) await renewHeld(db, unit);
  await markCurrent(NAME, OUTCOMES_VERSION);
}
