import { isBoardOption } from "../repair";
import type { ClosedJob } from "./closed-job";
import { type Share, shareOf } from "./share";
import { KINDS_OF_STEP, type StepsTaken } from "./steps-taken";

/** By what figures are told apart. */
export const GROUPED_BY = ["month", "machine", "person"] as const;
export type GroupedBy = (typeof GROUPED_BY)[number];

/** The figures of some closed repairs. */
export interface Figures {
  /** The month, the machine's or the person's name. */
  readonly group: string;
  readonly jobs: number;
  /**
   * Of the complaints that came in for the first time and of which it is known: those that the first job ended for good.
   */
  readonly firstTime: Share;
  /** Of all repairs of which it is known whether they held: those that came back. */
  readonly cameBack: Share;
  /** Repairs of which nobody knows yet: they are neither. */
  readonly notKnown: number;
  readonly noFault: Share;
  /** Repairs in which a board was bought and the complaint stayed, and what those boards cost. */
  readonly boardsInVain: Share;
  readonly boardsInVainCost: number;
  /** Minutes that hands were on a job: the middle one; null where there is none. */
  readonly minutes: number | null;
}

/** What one cause came to. */
export interface CostOfCause {
  readonly machine: string;
  readonly cause: string;
  readonly jobs: number;
  readonly cost: number;
  readonly minutes: number;
  readonly cameBack: number;
}

/** Repairs that answer a complaint which had come back: they are no first visit. */
function returnsIn(jobs: readonly ClosedJob[]): ReadonlySet<string> {
  return new Set(jobs.flatMap((j) => (j.again === null ? [] : [j.again])));
}

/**
 * Assemblies that were bought in vain, besides those seen in the job itself: a board that was put in by a job whose
 * complaint came back, where the next job found something else.
 */
function vainByReturn(jobs: readonly ClosedJob[]): ReadonlySet<string> {
  const byId = new Map(jobs.map((j) => [j.job, j]));
  return new Set(
    jobs.flatMap((j) => {
      const next = j.again === null ? undefined : byId.get(j.again);
      return next && next.cause !== null && next.piece !== j.piece && isBoardIn(j) ? [j.job] : [];
    }),
  );
}

const isBoardIn = (job: ClosedJob) => job.option !== null && isBoardOption(job.option);

/** The figures of closed repairs, group by group, in the order of their names; `all` are those of the shop. */
export function shopFigures(all: readonly ClosedJob[], groupOf: (job: ClosedJob) => string): readonly Figures[] {
  const returns = returnsIn(all);
  const vain = vainByReturn(all);
  const groups = new Map<string, ClosedJob[]>();
  for (const job of all) {
    const group = groupOf(job);
    groups.set(group, [...(groups.get(group) ?? []), job]);
  }
  return [...groups].sort(([a], [b]) => (a < b ? -1 : 1)).map(([group, jobs]) => figuresOf(group, jobs, returns, vain));
}

function figuresOf(
  group: string,
  jobs: readonly ClosedJob[],
  returns: ReadonlySet<string>,
  vain: ReadonlySet<string>,
): Figures {
  const repairs = jobs.filter((j) => !j.noFault);
  const known = repairs.filter((j) => j.held !== "not known");
  const held = (of: readonly ClosedJob[]) => of.filter((j) => j.held === "held").length;
  const first = known.filter((j) => !returns.has(j.job));
  const boards = (j: ClosedJob) => j.inVain.filter((b) => b.isBoard);
  const inVain = jobs.filter((j) => boards(j).length > 0 || vain.has(j.job));
  const bought = jobs.filter((j) => boards(j).length > 0 || isBoardIn(j));
  return {
    group,
    jobs: jobs.length,
    firstTime: shareOf(held(first), first.length),
    cameBack: shareOf(known.length - held(known), known.length),
    notKnown: repairs.length - known.length,
    noFault: shareOf(jobs.length - repairs.length, jobs.length),
    boardsInVain: shareOf(inVain.length, bought.length),
    boardsInVainCost: inVain.reduce(
      (sum, j) => sum + boards(j).reduce((s, b) => s + (b.price ?? 0), 0) + (vain.has(j.job) ? (j.price ?? 0) : 0),
      0,
    ),
    minutes: median(jobs.map((j) => j.minutes)),
  };
}

function median(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** What the steps of some jobs took beside the book, by their kind. */
export function stepFigures(jobs: readonly ClosedJob[]): readonly StepsTaken[] {
  return KINDS_OF_STEP.flatMap((kind) => {
    const own = jobs.flatMap((j) => j.steps.filter((s) => s.kind === kind));
    if (own.length === 0) return [];
    const sum = (of: (s: StepsTaken) => number) => own.reduce((total, s) => total + of(s), 0);
    return [{ kind, count: sum((s) => s.count), took: sum((s) => s.took), book: sum((s) => s.book) }];
  });
}

/** What each cause came to, the dearest first; what has no price counts nothing. */
export function costByCause(jobs: readonly ClosedJob[]): readonly CostOfCause[] {
  const sums = new Map<string, CostOfCause>();
  for (const { machine, cause, causeWords, price, minutes, held } of jobs) {
    if (!cause || causeWords === null) continue;
    const key = JSON.stringify([machine, cause.part, cause.mode]);
    const own = sums.get(key) ?? { machine, cause: causeWords, jobs: 0, cost: 0, minutes: 0, cameBack: 0 };
    sums.set(key, {
      ...own,
      jobs: own.jobs + 1,
      cost: own.cost + (price ?? 0),
      minutes: own.minutes + minutes,
      cameBack: own.cameBack + (held === "came back" ? 1 : 0),
    });
  }
  return [...sums.values()].sort((a, b) => b.cost - a.cost || b.jobs - a.jobs || (a.cause < b.cause ? -1 : 1));
}
