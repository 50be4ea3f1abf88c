import { has, type Machine } from "../../model";
import type { Test } from "../../simulate";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import { plogp, type OutcomeTable } from "./outcomes";

/** How often a fault is away for a moment, by where it lies: contacts come and go, the rest seldom; estimate E09. */
const AWAY = { contact: 0.4, other: 0.08 } as const;

function awayShare(machine: Machine, hypothesis: Hypothesis): number {
  const faults = faultsOf(machine, hypothesis);
  if (faults.length === 0) return 0;
  return faults.some((f) => has(machine.partById.get(f.part)!, "comes-and-goes")) ? AWAY.contact : AWAY.other;
}

/**
 * Of a complaint that comes and goes: how often a fault stays away though what lies between the leads is flexed,
 * tapped, warmed and cooled with the meter on min/max, by where it lies; and how often when one only looks; estimate E48.
 */
const UNPROVOKED = { contact: 0.2, other: 0.5, look: 0.97 } as const;

/** How often a hypothesis stays away in a test, of a machine whose complaint comes and goes; 0 where nothing is wrong. */
export function unprovoked(machine: Machine, hypothesis: Hypothesis, test: Test): number {
  const faults = faultsOf(machine, hypothesis);
  if (faults.length === 0) return 0;
  if (test.function === "look") return UNPROVOKED.look;
  return faults.some((f) => has(machine.partById.get(f.part)!, "comes-and-goes"))
    ? UNPROVOKED.contact
    : UNPROVOKED.other;
}

/** An outcome table as it is where every fault comes and goes: each row partly that of a sound machine, the first. */
export function comingAndGoing(
  machine: Machine,
  hypotheses: readonly Hypothesis[],
  test: Test,
  { outcomes, chances, entropy }: OutcomeTable,
): OutcomeTable {
  const n = outcomes.length;
  const blended = { outcomes, chances: chances.slice(), entropy: entropy.slice() };
  hypotheses.forEach((h, row) => {
    const away = unprovoked(machine, h, test);
    if (away === 0) return;
    let sum = 0;
    for (let o = 0; o < n; o++) {
      const chance = (1 - away) * chances[row * n + o]! + away * chances[o]!;
      blended.chances[row * n + o] = chance;
      sum -= plogp(chance);
    }
    blended.entropy[row] = sum;
  });
  return blended;
}

/** An intermittent fault that is away after a power cycle, in the row of an outcome table. */
export function blendRow(
  machine: Machine,
  hypothesis: Hypothesis,
  { outcomes, chances, entropy }: OutcomeTable,
  row: number,
): void {
  const n = outcomes.length;
  const clears = outcomes.findIndex((o) => o.kind === "label" && o.label === "clears");
  const away = awayShare(machine, hypothesis);
  if (clears < 0 || away === 0) return;
  let sum = 0;
  for (let o = 0; o < n; o++) {
    chances[row * n + o] = (1 - away) * chances[row * n + o]! + (o === clears ? away : 0);
    sum -= plogp(chances[row * n + o]!);
  }
  entropy[row] = sum;
}

/**
 * An intermittent fault may be away after a power cycle: a mixture of what it shows and of nothing (for each
 * sample, in place).
 */
export function blendAway(
  machine: Machine,
  hypothesis: Hypothesis,
  label: string,
  slip: number,
  each: Float64Array,
): void {
  const away = awayShare(machine, hypothesis);
  if (away === 0) return;
  const gone = label === "clears" ? 1 - slip : slip / 2;
  each.forEach((l, s) => {
    each[s] = (1 - away) * l + away * gone;
  });
}
