import { unitOf } from "../instrument";
import type { JournalEvent } from "../journal";

/** A value read at one place of a unit, and when. */
export interface ReadThen {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly value: number;
  readonly job: string;
  /** Whether it was as it should be; what was not is a fault's, and no drift. */
  readonly fits: boolean;
}

/** What one place of a unit read over the years. */
export interface PlaceOverYears {
  readonly key: string;
  readonly title: string;
  readonly leads: string;
  readonly unit: string;
  readonly expected: string;
  readonly read: readonly ReadThen[];
  /** Of the straight line through those that were as they should be, a year; null: they span too little to say. */
  readonly perYear: number | null;
  /** Spread of the readings about that line (standard deviation); null for fewer than three. */
  readonly spread: number | null;
}

const YEAR = 365.25 * 86_400_000;
/** Readings closer together than this say nothing of years. */
const LEAST_SPAN = 30 * 86_400_000;

/**
 * Every place of a unit that was read as a number in at least two of its jobs, the one that moved most first. Readings
 * that were struck out do not count; of one job the last at a place does.
 * `timeOf` reads a moment of a journal, milliseconds since 1970.
 */
export function readingsOverYears(
  journals: readonly (readonly JournalEvent[])[],
  timeOf: (at: string) => number,
): readonly PlaceOverYears[] {
  const places = new Map<string, { first: PlaceOverYears; byJob: Map<string, ReadThen> }>();
  for (const events of journals) {
    const struck = new Set(events.flatMap(({ body }) => (body.type === "struck" ? [body.event] : [])));
    for (const { id, body, at, job } of events) {
      if (body.type !== "reading" || body.shown.kind !== "value" || struck.has(id)) continue;
      const { setup, function: fn, red, black, instant } = body.test;
      const key = [setup, fn, red, black ?? "", instant].join("|");
      const { title, red: redWords, black: blackWords, expected } = body.as;
      const leads = blackWords ? `${redWords}, ${blackWords}` : redWords;
      const unit = unitOf(fn);
      const made: PlaceOverYears = { key, title, leads, unit, expected, read: [], perYear: null, spread: null };
      const place = places.get(key) ?? { first: made, byJob: new Map<string, ReadThen>() };
      place.byJob.set(job, { at: timeOf(at), value: body.shown.value, job, fits: body.as.verdict !== "does not fit" });
      places.set(key, { first: made, byJob: place.byJob });
    }
  }
  return [...places.values()]
    .filter((p) => p.byJob.size >= 2)
    .map(({ first, byJob }) => {
      const read = [...byJob.values()].sort((a, b) => a.at - b.at);
      return { ...first, read, ...driftOf(read.filter((r) => r.fits)) };
    })
    .sort((a, b) => moved(b) - moved(a));
}

/** Share of its mean by which a place moves in a year. */
function moved({ perYear, read }: PlaceOverYears): number {
  const mean = read.reduce((sum, r) => sum + Math.abs(r.value), 0) / read.length;
  return perYear === null || mean === 0 ? 0 : Math.abs(perYear) / mean;
}

/** The least-squares line through readings: its slope a year, and their spread about it (n - 2 degrees of freedom). */
export function driftOf(read: readonly Pick<ReadThen, "at" | "value">[]): Pick<PlaceOverYears, "perYear" | "spread"> {
  const times = read.map((r) => r.at);
  if (read.length < 2 || Math.max(...times) - Math.min(...times) < LEAST_SPAN) return { perYear: null, spread: null };
  const mean = (xs: readonly number[]) => xs.reduce((sum, x) => sum + x, 0) / xs.length;
  const [t, v] = [mean(times), mean(read.map((r) => r.value))];
  const around = times.map((time) => (time - t) / YEAR);
  const squares = around.reduce((sum, x) => sum + x * x, 0);
  const slope = around.reduce((sum, x, i) => sum + x * (read[i]!.value - v), 0) / squares;
  const rest = around.reduce((sum, x, i) => sum + (read[i]!.value - v - slope * x) ** 2, 0);
  return { perYear: slope, spread: read.length < 3 ? null : Math.sqrt(rest / (read.length - 2)) };
}
