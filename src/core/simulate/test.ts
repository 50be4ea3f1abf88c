import type { MeterFunction } from "../instrument";

/**
 * A test: a setup and what is observed in it. `red` is a point (meter), a clamp (clamp) or a part (look);
 * `black` is a point and belongs to the meter functions with two leads.
 */
export interface Test {
  readonly setup: string;
  readonly function: MeterFunction;
  readonly red: string;
  readonly black?: string;
  readonly instant: Instant;
}

/**
 * When to look: "settled" is after everything has come to rest; "recheck" is power off, wait, power on and see whether
 * what was shown comes back, see `RECHECK`.
 */
export type Instant = "settled" | "recheck";

/** What comes of a recheck: what a sound machine would not show is gone, is there at once, or comes back later. */
export const RECHECK = ["clears", "returns at once", "returns later"] as const;
/** Seconds after power-up within which it is "at once". */
export const RECHECK_SOON = 10;

/** The canonical name of a test; the same test always has the same one. */
export function testKey(test: Test): string {
  let key = KEYS.get(test);
  if (key === undefined)
    KEYS.set(test, (key = `${test.setup}|${test.function}|${test.red}|${test.black ?? ""}|${test.instant}`));
  return key;
}

// The tests of a dictionary are asked for their names again and again.
const KEYS = new WeakMap<Test, string>();

/** A test from its parts, at the settled instant if no other is named. */
export function makeTest(
  setup: string,
  fn: MeterFunction,
  red: string,
  black?: string,
  instant: Instant = "settled",
): Test {
  return { setup, function: fn, red, ...(black === undefined ? {} : { black }), instant };
}
