import { eq, isNotNull, isNull, sql } from "drizzle-orm";
import { type Care, frees, type Job, jobOn } from "../core/journal";
import type { DayStep } from "../core/plan-day";
import { procedureFor, proofMinutes } from "../core/repair";
import type { DayAhead, DayJob } from "../contract/day";
import { database } from "./db";
import { readJob } from "./jobs";
import { jobs, machines, outcomes, streams, units, waits } from "./schema";
import { toComeOf } from "./to-come";
import { say } from "#words/server/day";

/** Open jobs that are looked at, the newest first: more is no day. */
const MOST = 24;
/** Minutes of a search whose plan is not known, of a repair and of a proof; estimate E82. */
const USUAL = { search: 30, repair: 30, proof: 15 } as const;
/** Spread of what is only usual, as a share of it. */
const ROUGH = 0.5;

/** Everything that is in hand, with what it still needs, as far as that is known now. */
export async function dayAhead(now: Date): Promise<DayAhead> {
  const db = database();
  const rows = await db
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
    .orderBy(sql`${jobs.openedAt} DESC`)
    .limit(MOST);
  const waiting = await db.select().from(waits).where(isNotNull(waits.job));
  const usual = await usualMinutes();
  const found: DayJob[] = [];
  for (const row of rows) {
    const job = await folded(row.id);
    if (!job) continue;
    const own = waiting.filter((w) => w.job === row.id);
    const minutesTo = (at: Date) => (at.getTime() - now.getTime()) / 60_000;
    const known = toComeOf(row.id);
    const work = stepsLeft(job, known ?? { mean: usual, spread: ROUGH * usual });
    const visit =
      row.visitAt === null ? null : { in: Math.max(0, minutesTo(row.visitAt)), minutes: row.visitMinutes ?? 0 };
    found.push({
      id: row.id,
      site: row.site,
      machine: row.machine,
      complaint: row.complaint,
      weight: 1,
      promised: row.promisedAt === null ? null : minutesTo(row.promisedAt),
      promisedAt: row.promisedAt?.toISOString() ?? null,
      visitAt: row.visitAt?.toISOString() ?? null,
      visitMinutes: row.visitMinutes ?? 0,
      from: visit?.in ?? 0,
      place: work.place,
      isRough: known === null && work.isSearch,
      state: `${row.lastSeq} ${own.map((w) => `${w.wait} ${w.due.getTime()}`).join(" ")}`,
      steps: [
        ...(visit && visit.minutes > 0 ? [hands(say.driving, visit.minutes / 2)] : []),
        ...runningWaits(own.map((w) => ({ minutes: minutesTo(w.due), care: w.care as Care | null }))),
        ...work.steps,
        ...(visit && visit.minutes > 0 ? [hands(say.drivingBack, visit.minutes / 2)] : []),
      ],
    });
  }
  return { at: now.toISOString(), jobs: found };
}

/** What runs already, side by side: it is over with the longest. It needs nobody's hands, unless one has to stay. */
function runningWaits(running: readonly { readonly minutes: number; readonly care: Care | null }[]): DayStep[] {
  const minutes = Math.max(0, ...running.map((w) => w.minutes));
  if (minutes === 0) return [];
  const stays = running.some((w) => w.minutes > 0 && !frees(w.care));
  return [{ words: say.waiting, minutes, spread: 0, care: stays ? "watch" : "leave", needs: [] }];
}

const hands = (words: string, minutes: number, spread = 0.3 * minutes): DayStep => ({
  words,
  minutes,
  spread,
  care: null,
  needs: [],
});

type Folded = { readonly job: Job; readonly machine: Awaited<ReturnType<typeof readJob>>["machine"] };

async function folded(id: string): Promise<Folded | null> {
  const { events, raw, machine } = await readJob(id);
  return raw.length > 0 || events[0]?.body.type !== "opened" ? null : { job: jobOn(machine, events), machine };
}

/** What hands still do on a job: search, repair, proof; and where that goes on. */
function stepsLeft(
  { job, machine }: Folded,
  search: { readonly mean: number; readonly spread: number },
): { readonly steps: readonly DayStep[]; readonly place: string; readonly isSearch: boolean } {
  const decided = job.work.decisions.at(-1)?.body;
  const proof = hands(say.proof, USUAL.proof);
  if (!decided || !machine.assemblyById.has(decided.piece))
    return job.opened.kind === "repair"
      ? {
          steps: [
            hands(say.search, search.mean, search.spread),
            hands(say.repair, USUAL.repair, ROUGH * USUAL.repair),
            proof,
          ],
          place: `/jobs/${job.id}`,
          isSearch: true,
        }
      : {
          steps: [hands(say.work, USUAL.repair, ROUGH * USUAL.repair), proof],
          place: `/jobs/${job.id}/repair`,
          isSearch: false,
        };
  const [part, mode] = (decided.fault ?? ":").split(":") as [string, string];
  const fault = machine.partById.get(part)?.modes.some((m) => m.id === mode) ? { part, mode } : null;
  const procedure = procedureFor(machine, { assembly: decided.piece, option: decided.option, fault });
  const all = procedure.stages.flatMap((s) => [s.id, ...s.steps.map((step) => step.id)]);
  const done = new Set(job.work.stages[decided.piece]);
  const share = all.length === 0 ? 0 : all.filter((id) => done.has(id)).length / all.length;
  const proven = job.work.proved.map((p) => p.body.step);
  const left = proven.length > 0 ? 0 : decided.minutes * (1 - share);
  const proofLeft = Math.max(3, USUAL.proof - proofMinutes(machine, proven));
  const place = `/jobs/${job.id}/repair?assembly=${encodeURIComponent(decided.piece)}`;
  return {
    steps: [...(left > 0 ? [hands(say.repair, left)] : []), hands(say.proof, proofLeft)],
    place: proven.length > 0 ? `${place}&step=prove` : place,
    isSearch: false,
  };
}

/** Minutes that hands were on a repair in this shop, in the middle; what is usual where it has none. */
async function usualMinutes(): Promise<number> {
  const [row] = await database()
    .select({ mean: sql<number | null>`AVG(${outcomes.minutes})` })
    .from(outcomes)
    .where(sql`${outcomes.closedAt} > NOW() - INTERVAL 1 YEAR`);
  return row?.mean === null || row?.mean === undefined
    ? USUAL.search
    : Math.max(5, Math.min(USUAL.search, Number(row.mean) / 3));
}
