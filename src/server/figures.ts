import { and, desc, eq, gte } from "drizzle-orm";
import {
  type ClosedJob,
  type CostOfCause,
  costByCause,
  type Figures,
  type GroupedBy,
  type Share,
  shopFigures,
  stepFigures,
} from "../core/figures";
import type { FiguresAsked, FigureTable, ShopSees } from "../contract/figures";
import { type Cells, csv } from "./csv";
import { database } from "./db";
import { librarySummaries } from "./library";
import { closedJobIn } from "./outcomes";
import { outcomes } from "./schema";
import { say } from "#words/server/figures";

/** Repairs counted at most, the newest: more would be years of a large shop. */
const MOST = 50_000;
/** Causes shown. */
const CAUSES = 10;

/** The first day that counts, by the clock of the shop. */
function firstDay(since: string, now: Date): string {
  if (since !== "") return since;
  const year = new Date(now.getFullYear() - 1, now.getMonth(), 1);
  return `${year.getFullYear()}-${String(year.getMonth() + 1).padStart(2, "0")}-01`;
}

async function closedJobs({ since, machine, person }: FiguresAsked, now: Date): Promise<readonly ClosedJob[]> {
  const rows = await database()
    .select()
    .from(outcomes)
    .where(
      and(
        gte(outcomes.closedAt, new Date(`${firstDay(since, now)}T00:00:00`)),
        ...(machine ? [eq(outcomes.machine, machine)] : []),
        ...(person ? [eq(outcomes.person, person)] : []),
      ),
    )
    .orderBy(desc(outcomes.closedAt))
    .limit(MOST);
  return rows.reverse().map(closedJobIn);
}

async function machineWords(): Promise<ReadonlyMap<string, string>> {
  return new Map((await librarySummaries()).map((m) => [m.id, `${m.maker} ${m.model}`]));
}

function grouped(jobs: readonly ClosedJob[], by: GroupedBy, names: ReadonlyMap<string, string>): readonly Figures[] {
  const nameOf = (machine: string) => names.get(machine) ?? machine;
  return shopFigures(jobs, (j) => (by === "machine" ? nameOf(j.machine) : j[by]));
}

/** What the shop sees of its closed repairs. */
export async function shopSees(asked: FiguresAsked, now: Date): Promise<ShopSees> {
  const [jobs, names] = await Promise.all([closedJobs(asked, now), machineWords()]);
  const causes = costByCause(jobs).map((c) => ({ ...c, machine: names.get(c.machine) ?? c.machine }));
  return {
    since: firstDay(asked.since, now),
    jobs: jobs.length,
    whole: shopFigures(jobs, () => "")[0] ?? null,
    groups: grouped(jobs, asked.by, names),
    steps: stepFigures(jobs),
    causes: causes.slice(0, CAUSES),
    causesInAll: causes.length,
  };
}

const share = (name: string, { count, of, low, high }: Share) => ({
  [name]: count,
  [say.of(name)]: of,
  [say.low(name)]: rounded(low),
  [say.high(name)]: rounded(high),
});
const rounded = (value: number) => Number(value.toFixed(3));

/** The numbers behind a chart, as a file of lines. */
export async function figuresFile(asked: FiguresAsked, table: FigureTable, now: Date): Promise<string> {
  const [jobs, names] = await Promise.all([closedJobs(asked, now), machineWords()]);
  return csv(await cells(table, jobs, asked.by, names));
}

async function cells(
  table: FigureTable,
  jobs: readonly ClosedJob[],
  by: GroupedBy,
  names: ReadonlyMap<string, string>,
): Promise<Cells> {
  const nameOf = (machine: string) => names.get(machine) ?? machine;
  if (table === "groups")
    return grouped(jobs, by, names).map((f) => ({
      [by]: f.group,
      jobs: f.jobs,
      ...share(say.firstTime, f.firstTime),
      ...share(say.cameBack, f.cameBack),
      [say.notKnown]: f.notKnown,
      ...share(say.noFault, f.noFault),
      ...share(say.boardsInVain, f.boardsInVain),
      [say.boardsInVainCost]: f.boardsInVainCost,
      [say.minutes]: f.minutes,
    }));
  if (table === "steps")
    return stepFigures(jobs).map((s) => ({
      step: s.kind,
      count: s.count,
      [say.took]: rounded(s.took),
      [say.book]: rounded(s.book),
    }));
  if (table === "causes") return costByCause(jobs).map((c: CostOfCause) => ({ ...c, machine: nameOf(c.machine) }));
  return jobs.map((j) => ({
    job: j.job,
    closed: new Date(j.closedAt).toISOString(),
    machine: nameOf(j.machine),
    person: j.person,
    complaint: j.complaint,
    cause: j.causeWords,
    repair: j.option,
    held: j.held,
    [say.minutes]: j.minutes,
    price: j.price,
    [say.boardsInVain]: j.inVain.map((b) => b.name).join("; "),
  }));
}
