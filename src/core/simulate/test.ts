import type { MeterFunction } from "../circuit/meter";

/**
 * A test: a setup and what is observed in it. `red` is a point (meter), a clamp (clamp) or a part (look);
 * `black` is a point and belongs to the meter functions with two leads.
 */
export interface Test {
  readonly setup: string;
  readonly function: MeterFunction;
  readonly red: string;
  readonly black?: string;
  /** When to look; "settled" is after everything has come to rest. */
  readonly instant: "settled";
}

/** The canonical name of a test; the same test always has the same one. */
export function testKey(test: Test): string {
  return [test.setup, test.function, test.red, test.black ?? "", test.instant].join("|");
}

/** A test from its parts, at the settled instant. */
export function makeTest(setup: string, fn: MeterFunction, red: string, black?: string): Test {
  return { setup, function: fn, red, ...(black === undefined ? {} : { black }), instant: "settled" };
}
