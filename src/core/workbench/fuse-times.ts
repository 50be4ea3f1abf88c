import { say } from "#words/core/workbench/fuse-times";

/** Families of fuses, by the standard that bounds when they open. */
export type FuseFamily = "quick" | "slow" | "ul" | "blade";

/** At so many times its rating a fuse opens after these seconds: never before the least, always by the most. */
type Gate = readonly [ratio: number, least: number, most: number];

const [MINUTE, HOUR] = [60, 3600] as const;

/**
 * Gates of IEC 60127-2 (quick: sheet 2, time-lag: sheet 3), UL 248-14 and of blade fuses (ISO 8820-3), all from memory;
 * 0 and Infinity where a standard gives no bound.
 */
const GATES: Readonly<Record<FuseFamily, readonly Gate[]>> = {
  quick: [
    [1.5, HOUR, Infinity],
    [2.1, 0, 30 * MINUTE],
    [2.75, 0.05, 2],
    [4, 0.01, 0.3],
    [10, 0, 0.02],
  ],
  slow: [
    [1.5, HOUR, Infinity],
    [2.1, 0, 2 * MINUTE],
    [2.75, 0.6, 10],
    [4, 0.15, 3],
    [10, 0.02, 0.3],
  ],
  ul: [
    [1, 4 * HOUR, Infinity],
    [1.35, 0, HOUR],
    [2, 0, 2 * MINUTE],
  ],
  blade: [
    [1.1, 100 * HOUR, Infinity],
    [1.35, 0.75, 10 * MINUTE],
    [2, 0.15, 5],
    [3.5, 0.04, 0.5],
    [6, 0.02, 0.1],
  ],
};

/**
 * Within what time a fuse of a family opens at so many times its rating, seconds. A fuse lasts no less than at the next
 * gate above and no longer than at the next one below: nothing is read between the gates.
 */
export function opensWithin(family: FuseFamily, ratio: number): { readonly least: number; readonly most: number } {
  const gates = GATES[family];
  const [above, below] = [gates.find((g) => g[0] >= ratio && g[1] > 0), gates.findLast((g) => g[0] <= ratio)];
  return { least: above?.[1] ?? 0, most: below?.[2] ?? Infinity };
}

/** The most of its rating that a family carries for an hour at least. */
export function carriesFor(family: FuseFamily): number {
  return GATES[family][0]![0];
}

export const FAMILY_NAMES: Readonly<Record<FuseFamily, string>> = {
  quick: say.quick,
  slow: say.slow,
  ul: say.ul,
  blade: say.blade,
};
