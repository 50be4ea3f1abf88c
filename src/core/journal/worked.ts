import type { JournalEvent } from "./events";

/** A longer pause between two entries is no work: the job lay, minutes; estimate E71. */
const PAUSE = 45;

/**
 * Minutes that hands were on a job, from its first entry to its call: pauses count as far as work may last. `timeOf`
 * reads a moment, milliseconds.
 */
export function workedMinutes(events: readonly JournalEvent[], timeOf: (at: string) => number): number {
  const end = events.findIndex(({ body }) => body.type === "called");
  const times = events.slice(0, end < 0 ? undefined : end + 1).map(({ at }) => timeOf(at) / 60_000);
  return times.slice(1).reduce((sum, time, i) => {
    const between = time - times[i]!;
    return sum + (between <= PAUSE ? Math.max(0, between) : 0);
  }, 0);
}
