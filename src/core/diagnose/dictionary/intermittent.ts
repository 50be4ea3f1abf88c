import { has, type Machine } from "../../model";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import { plogp, type OutcomeTable } from "./outcomes";

/** How often a fault is away for a moment, by where it lies: contacts come and go, the rest seldom; estimate E09. */
const AWAY = { contact: 0.4, other: 0.08 } as const;

function awayShare(machine: Machine, hypothesis: Hypothesis): number {
  const faults = faultsOf(machine, hypothesis);
  if (faults.length === 0) return 0;
  return faults.some((f) => has(machine.partById.get(f.part)!, "comes-and-goes")) ? AWAY.contact : AWAY.other;
}

/** The same in the row of an outcome table. */
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
