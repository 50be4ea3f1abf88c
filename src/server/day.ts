import { and, desc, eq, inArray, isNotNull, isNull, max, notInArray, sql } from "drizzle-orm";
import { type Care, changesIn, type EventBody, frees, type Job, jobOn } from "../core/journal";
import { type DayStep, handsOn, proofAsked, ROUGH, stillLeft, workLeft } from "../core/plan-day";
import type { DayAhead, DayJob } from "../contract/day";
import { database } from "./db";
import { type Ahead, workOut } from "./day-behind";
import { readJob } from "./jobs";
import { machineOf } from "./machine-store";
import { events, jobs, machines, outcomes, streams, units, waits } from "./schema";
import { shopCrew } from "./shop";
import { proofOf, toComeOf } from "./to-come";
import { say } from "#words/server/day";

/** Open jobs that are looked at, the newest first: more is no day. */
const MOST = 24;
/** Minutes of a search whose plan is not known; estimate E84. */
const USUAL_SEARCH = 30;
/** Whoever wrote nothing for so many minutes is no longer at it. */
const LEFT_IT = 180;

/** Everything that is in hand, with what it still needs, as far as that is known now; the rest is worked out behind it. */
export async function dayAhead(now: Date): Promise<DayAhead> {
  const rows = await openRows();
  const [waiting, usual, crew, lastAt] = await Promise.all([
    database().select().from(waits).where(isNotNull(waits.job)),
    usualSearch(),
    shopCrew(),
    lastEntries(rows.map((r) => r.id)),
  ]);
  // Hands are on the job that was written to last.
  const atHand = [...lastAt].sort((a, b) => b[1].getTime() - a[1].getTime())[0]?.[0];
  const found: DayJob[] = [];
  const unknown: Ahead[] = [];
  for (const row of rows) {
    const folded = await foldedJob(row.id);
    if (!folded) continue;
    const own = waiting.filter((w) => w.job === row.id);
    const spent = row.id === atHand ? minutesBetween(lastAt.get(row.id)!, now) : 0;
    const { job, isUnknown } = dayJob(row, folded, own, { now, usual, spent, lastAt: lastAt.get(row.id) });
    found.push(job);
    if (isUnknown && folded.ahead) unknown.push(folded.ahead);
  }
  void workOut(unknown);
  return { at: now.toISOString(), jobs: found, crew };
}

const minutesBetween = (from: Date, to: Date) => (to.getTime() - from.getTime()) / 60_000;

const openRows = () =>
  database()
    .select({
      id: jobs.id,
      site: units.site,
      machine: machines.name,
      complaint: jobs.complaint,
      promisedAt: jobs.promisedAt,
      visitAt: jobs.visitAt,
      visitMinutes: jobs.visitMinutes,
      lastSeq: streams.lastSeq,
    })
    .from(jobs)
    .innerJoin(units, eq(jobs.unit, units.id))
    .innerJoin(machines, eq(jobs.machineHash, machines.hash))
    .innerJoin(streams, eq(jobs.id, streams.id))
    .where(isNull(jobs.closedAt))
    .orderBy(desc(jobs.openedAt))
    .limit(MOST);
type Row = Awaited<ReturnType<typeof openRows>>[number];

/** Entries that are made at a desk: hands are not on the unit. */
const AT_THE_DESK: EventBody["type"][] = ["promised", "visit", "quoted", "customer page"];

/** When hands last wrote of each job. */
async function lastEntries(ids: readonly string[]): Promise<ReadonlyMap<string, Date>> {
  if (ids.length === 0) return new Map();
  const rows = await database()
    .select({ stream: events.stream, at: max(events.at) })
    .from(events)
    .where(and(inArray(events.stream, [...ids]), notInArray(events.type, AT_THE_DESK)))
    .groupBy(events.stream);
  return new Map(rows.flatMap((r) => (r.at ? [[r.stream, r.at] as const] : [])));
}

interface Folded {
  readonly job: Job;
  readonly machine: Awaited<ReturnType<typeof readJob>>["machine"];
  /** Names the proof of what was decided; null: there is none yet. */
  readonly proof: string | null;
  readonly lastBy: string;
  /** What of it can be worked out behind; null: nothing, for its machine is like no other. */
  readonly ahead: Ahead | null;
}

async function foldedJob(id: string): Promise<Folded | null> {
  const { events: entries, raw, hash, odds } = await readJob(id);
  if (raw.length > 0 || entries[0]?.body.type !== "opened") return null;
  const changes = changesIn(entries);
  const { machine } = await machineOf(hash, changes, undefined, odds);
  const job = jobOn(machine, entries);
  const asked = proofAsked(machine, job);
  const proof = asked && JSON.stringify([hash, changes, asked]);
  const lastBy = entries.at(-1)!.actor;
  return { job, machine, proof, lastBy, ahead: changes.length > 0 ? null : { job, hash, proof } };
}

interface Now {
  readonly now: Date;
  readonly usual: number;
  /** Minutes that hands have been on it since its last entry. */
  readonly spent: number;
  readonly lastAt: Date | undefined;
}

function dayJob(
  row: Row,
  { job, machine, proof, lastBy }: Folded,
  own: readonly (typeof waits.$inferSelect)[],
  { now, usual, spent, lastAt }: Now,
): { readonly job: DayJob; readonly isUnknown: boolean } {
  const minutesTo = (at: Date) => minutesBetween(now, at);
  const search = toComeOf(row.id);
  const script = proof === null ? null : proofOf(proof);
  const visit = visitOf(row, now, lastAt);
  const work = workLeft(machine, job, {
    search: search ?? { mean: usual, spread: ROUGH * usual },
    script,
    isRunUp: visit === null,
  });
  const from = visit?.leave ?? 0;
  const running = runningWaits(
    own.map((w) => ({ minutes: minutesTo(w.due) - from, care: w.care as Care | null })),
    // A step of its proof runs: it holds what the steps of its proof do.
    work.stage === "proof" ? (work.steps[0]?.needs ?? []) : [],
  );
  const isAt = spent > 0 && spent < LEFT_IT && running.length === 0 && (visit === null || visit.isThere);
  const { steps, over } = isAt ? afterMinutes(work.steps, spent) : { steps: work.steps, over: 0 };
  const isUnknown = (work.stage === "search" && search === null) || (proof !== null && script === null);
  return {
    isUnknown,
    job: {
      id: row.id,
      site: row.site,
      machine: row.machine,
      complaint: row.complaint,
      weight: 1,
      promised: row.promisedAt === null ? null : minutesTo(row.promisedAt),
      promisedAt: row.promisedAt?.toISOString() ?? null,
      visitAt: row.visitAt?.toISOString() ?? null,
      visitMinutes: row.visitMinutes ?? 0,
      from,
      ...(visit ? { isAway: true } : {}),
      ...(visit && !visit.isThere ? { expected: from } : {}),
      place: placeOf(row.id, work),
      over,
      lastBy,
      isRough: isUnknown,
      state: `${row.lastSeq} ${own.map((w) => `${w.wait} ${w.due.getTime()}`).join(" ")}`,
      steps: [
        ...running,
        ...(visit && !visit.isThere && visit.way > 0 ? [handsOn(say.driving, visit.way)] : []),
        // Whoever is there does not come back to the workshop while it waits.
        ...(visit ? steps.map((s) => (s.care === null ? s : { ...s, care: "watch" as const })) : steps),
        ...(visit && visit.way > 0 ? [handsOn(say.drivingBack, visit.way)] : []),
      ],
    },
  };
}

/** A visit: minutes until one leaves for it, of the way, and whether something was entered since: then one is there. */
function visitOf(row: Row, now: Date, lastAt: Date | undefined) {
  if (row.visitAt === null) return null;
  const way = (row.visitMinutes ?? 0) / 2;
  const leave = minutesBetween(now, row.visitAt) - way;
  const isThere = lastAt !== undefined && minutesBetween(lastAt, row.visitAt) <= way;
  // Nothing was written there for so long: that visit is over, and hands are back.
  if (isThere && minutesBetween(lastAt, now) >= LEFT_IT) return null;
  return { way, leave: isThere ? 0 : Math.max(0, leave), isThere };
}

/** What runs already, side by side: it is over with the longest. It needs nobody's hands, unless one has to stay. */
function runningWaits(
  running: readonly { readonly minutes: number; readonly care: Care | null }[],
  needs: readonly string[],
): DayStep[] {
  const minutes = Math.max(0, ...running.map((w) => w.minutes));
  if (minutes === 0) return [];
  // Off and locked it can stand anywhere.
  const isRun = running.some((w) => w.minutes > 0 && w.care !== "locked");
  const stays = running.some((w) => w.minutes > 0 && !frees(w.care));
  return [{ words: say.waiting, minutes, spread: 0, care: stays ? "watch" : "leave", needs: isRun ? needs : [] }];
}

/** The steps after hands have been on the first of them for a while; `over`: how much longer than was thought. */
function afterMinutes(
  [first, ...rest]: readonly DayStep[],
  spent: number,
): { steps: readonly DayStep[]; over: number } {
  if (!first || first.care !== null) return { steps: first ? [first, ...rest] : rest, over: 0 };
  const minutes = stillLeft(first.minutes, first.spread, spent);
  return { steps: [{ ...first, minutes }, ...rest], over: Math.max(0, spent - first.minutes) };
}

/** Where a job goes on. */
function placeOf(id: string, { stage, assembly }: ReturnType<typeof workLeft>): string {
  if (stage === "search") return `/jobs/${id}`;
  const repair = `/jobs/${id}/repair`;
  if (assembly === null) return repair;
  return `${repair}?assembly=${encodeURIComponent(assembly)}&step=${stage === "proof" ? "prove" : "swap"}`;
}

/** Minutes that hands were on the search in this shop, in the middle; what is usual where it has none. */
async function usualSearch(): Promise<number> {
  const [row] = await database()
    .select({ mean: sql<number | null>`AVG(${outcomes.minutes})` })
    .from(outcomes)
    .where(sql`${outcomes.closedAt} > NOW() - INTERVAL 1 YEAR`);
  return row?.mean === null || row?.mean === undefined
    ? USUAL_SEARCH
    : Math.max(5, Math.min(USUAL_SEARCH, Number(row.mean) / 3));
}
