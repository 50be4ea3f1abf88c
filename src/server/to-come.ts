import { Lru } from "../core/lru";
import type { Minutes } from "../core/plan-day";
import type { ProofStep } from "../core/repair";

/** As it was last told for a job; lost with the process, and worked out anew when the day is looked at. */
interface Known {
  readonly searches: Lru<string, Minutes>;
  /** By what it is the proof of. */
  readonly proofs: Lru<string, readonly ProofStep[]>;
}
const known = ((globalThis as { unzoToCome?: Known }).unzoToCome ??= { searches: new Lru(500), proofs: new Lru(200) });

/** From the low to the high mark of what is to come lie four of five ways: so many standard deviations. */
const MARKS = 2.56;

/** Keeps what an answer of the engine says is still to come of a job. */
export function keepToCome(
  job: string,
  toCome: { readonly minutes: { readonly mean: number; readonly low: number; readonly high: number } } | null,
): void {
  if (!toCome) return;
  const { mean, low, high } = toCome.minutes;
  known.searches.set(job, { mean, spread: (high - low) / MARKS });
}

/** What is still to come of a job's search as last told; null: nobody has asked since the server began. */
export const toComeOf = (job: string): Minutes | null => known.searches.get(job) ?? null;

export const keepProof = (proof: string, steps: readonly ProofStep[]): void => void known.proofs.set(proof, steps);
/** The steps of a proof; null: nobody has asked for it since the server began. */
export const proofOf = (proof: string): readonly ProofStep[] | null => known.proofs.get(proof) ?? null;
