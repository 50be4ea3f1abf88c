import { type Job, type JournalEvent, stepsOf, workedMinutes } from "../journal";
import { isOfOnePiece } from "../diagnose";
import type { Machine } from "../model";
import { proofMinutes } from "../repair";

/** What minutes of a job go into, in the order in which they come. */
export const KINDS_OF_STEP = [
  "covers",
  "power",
  "plugs",
  "into a state",
  "measure",
  "look",
  "by hand",
  "repair",
  "proof",
] as const;
export type KindOfStep = (typeof KINDS_OF_STEP)[number];

/** Steps of one kind: how many, the minutes they took, and those of the book. */
export interface StepsTaken {
  readonly kind: KindOfStep;
  readonly count: number;
  readonly took: number;
  readonly book: number;
}

const READ = new Set(["measure", "clamp", "capacitance", "insulation", "recheck"]);

/** The kind of a move as the planner names it. */
function kindOf(move: string): KindOfStep {
  if (move.startsWith("cover ")) return "covers";
  if (move.startsWith("setup ")) return "into a state";
  if (READ.has(move)) return "measure";
  return move as KindOfStep;
}

/**
 * What the steps of a job took beside the book. Of the search only steps between two readings that were neither broken
 * off nor entered afterwards; the repair from the decision to the first step of the proof, the proof from there to the
 * call. Minutes between two entries are laid on the moves between them by their shares of the book.
 */
export function stepsTaken(
  machine: Machine,
  job: Job,
  events: readonly JournalEvent[],
  timeOf: (at: string) => number,
): readonly StepsTaken[] {
  const sums = new Map<KindOfStep, { count: number; took: number; book: number }>();
  const add = (kind: KindOfStep, count: number, took: number, minutes: number) => {
    const own = sums.get(kind) ?? { count: 0, took: 0, book: 0 };
    sums.set(kind, { count: own.count + count, took: own.took + took, book: own.book + minutes });
  };
  for (const step of stepsOf(machine, events, (at) => timeOf(at) / 60_000).filter(isOfOnePiece)) {
    const whole = step.moves.reduce((sum, m) => sum + m.minutes, 0);
    for (const { move, minutes } of step.moves)
      if (minutes > 0) add(kindOf(move), 1, (step.took * minutes) / whole, minutes);
  }
  const parts = partsOf(job, events);
  if (parts) {
    const steps = parts.proof.flatMap(({ body }) => (body.type === "proved" ? [body.step] : []));
    add("repair", 1, workedMinutes(parts.repair, timeOf), parts.decided.minutes);
    add("proof", 1, workedMinutes(parts.proof, timeOf), proofMinutes(machine, [...new Set(steps)]));
  }
  return KINDS_OF_STEP.flatMap((kind) => {
    const sum = sums.get(kind);
    return sum ? [{ kind, ...sum }] : [];
  });
}

/**
 * The entries of the last repair that was decided, and those of its proof, each with the entry it goes on from; null
 * where nothing was decided or proven.
 */
function partsOf(job: Job, events: readonly JournalEvent[]) {
  const decided = job.work.decisions.at(-1);
  if (!decided) return null;
  const after = events.slice(events.findIndex((e) => e.id === decided.id));
  const first = after.findIndex(({ body }) => body.type === "proved");
  const called = after.findIndex(({ body }) => body.type === "called");
  if (first < 0 || called < first) return null;
  return { decided: decided.body, repair: after.slice(0, first), proof: after.slice(first - 1, called + 1) };
}
