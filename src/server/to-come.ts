import { Lru } from "../core/lru";

/** What is still to come of a search, minutes, and one standard deviation of it. */
export interface ToCome {
  readonly mean: number;
  readonly spread: number;
}

/** As it was last told for a job; lost with the process, and told anew when the job is opened. */
const known = ((globalThis as { unzoToCome?: Lru<string, ToCome> }).unzoToCome ??= new Lru<string, ToCome>(500));

/** From the low to the high mark of what is to come lie four of five ways: so many standard deviations. */
const MARKS = 2.56;

/** Keeps what an answer of the engine says is still to come of a job. */
export function keepToCome(
  job: string,
  toCome: { readonly minutes: { readonly mean: number; readonly low: number; readonly high: number } } | null,
): void {
  if (!toCome) return;
  const { mean, low, high } = toCome.minutes;
  known.set(job, { mean, spread: (high - low) / MARKS });
}

/** What is still to come of a job as last told; null: nobody has opened it since the server began. */
export const toComeOf = (job: string): ToCome | null => known.get(job) ?? null;
