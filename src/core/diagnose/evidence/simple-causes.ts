import type { FirstEntry, Machine } from "../../model";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";

/**
 * Before you open it: the simple causes that are asked before anything is opened. Some lie in parts of the model (the
 * outlet, a door switch held open); others are no fault of the machine at all (a setting, a blocked duct, the machine
 * before it).
 */

/** What was answered to a question. */
export type FirstAnswer = "yes" | "no";

/** Share of answers that are right; estimate E15. */
const RIGHT = 0.95;
/** How often a part is found so though the fault lies elsewhere; estimate E16. */
const BY_CHANCE = 0.03;
/** How often a simple cause is met on a machine that has a fault besides; estimate E17. */
const BESIDE = 0.1;
/** Odds that stand for the simple causes nobody listed, beside those of the file. */
const UNLISTED = 10;

/** Whether an answer says that this is the cause. */
export function isCause(first: FirstEntry, answer: FirstAnswer): boolean {
  return answer === first.cause;
}

/**
 * Whether the cause lies in parts of the machine's model, and so in the search; otherwise it is put right without
 * repair.
 */
export function isModelled(first: FirstEntry): boolean {
  return first.parts.length > 0;
}

/** The questions that belong to a complaint, in file order. */
export function simpleCausesOf(machine: Machine, complaint: string): readonly FirstEntry[] {
  return machine.file.firsts.filter((f) => f.complaints.length === 0 || f.complaints.includes(complaint));
}

/** Likelihood of an answer under a hypothesis. */
export function answerLikelihood(
  machine: Machine,
  complaint: string,
  first: FirstEntry,
  answer: FirstAnswer,
  hypothesis: Hypothesis,
): number {
  const cause = isCause(first, answer);
  if (isModelled(first)) {
    const concerned = faultsOf(machine, hypothesis).some((f) => first.parts.includes(f.part));
    if (concerned) return cause ? RIGHT : 1 - RIGHT;
    return cause ? BY_CHANCE : 1 - BY_CHANCE;
  }
  const rivals = simpleCausesOf(machine, complaint)
    .filter((f) => !isModelled(f))
    .reduce((sum, f) => sum + f.odds, UNLISTED);
  const share = Math.max(BESIDE, first.odds / rivals);
  if (hypothesis.kind === "no fault") return cause ? share : 1 - share;
  return cause ? BESIDE : 1 - BESIDE;
}

/** A question still open, and what speaks for asking it now. */
export interface OpenFirst {
  readonly first: FirstEntry;
  /** In a hundred such jobs, how often this is it. */
  readonly odds: number;
  /** Odds for each minute it costs; the questions are asked in this order. */
  readonly score: number;
}

/**
 * The questions not yet answered, in order of odds over cost: with one cause and questions that do not depend on each
 * other, that order finds it in the fewest minutes (Heckerman, Breese and Rommelse, 1995). What lies in parts has the
 * odds that the search gives those parts at present (`doubt`, a probability for each part).
 */
export function openSimpleCauses(
  machine: Machine,
  complaint: string,
  answered: ReadonlySet<string>,
  doubt: Readonly<Record<string, number>>,
): readonly OpenFirst[] {
  return simpleCausesOf(machine, complaint)
    .filter((f) => !answered.has(f.id))
    .map((first) => {
      const odds = isModelled(first) ? 100 * first.parts.reduce((sum, p) => sum + (doubt[p] ?? 0), 0) : first.odds;
      return { first, odds, score: odds / Math.max(0.1, first.minutes) };
    })
    .filter((o) => o.odds >= 0.5)
    .sort((a, b) => b.score - a.score || (a.first.id < b.first.id ? -1 : 1));
}
