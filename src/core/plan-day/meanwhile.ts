import { blocksOf, type Day } from "./day";
import type { DayPlan } from "./schedule";

/** What idle hands can be on until the plan wants them; minutes from now. */
export interface Meanwhile {
  readonly unit: number;
  readonly until: number;
}

/** A gap shorter than this is none, minutes. */
const GAP = 5;

/**
 * A plan may leave hands idle for a while rather than begin what would then be in the way. Nobody stands and waits beside
 * work that can be left again: for each person of the plan, what can be begun until then; null: nothing, or there is no gap.
 */
export function meanwhile(day: Day, { placed }: DayPlan): readonly (Meanwhile | null)[] {
  const taken = new Set(placed.filter((p) => p.block.hands > 0 && p.start < 1).map((p) => p.block.unit));
  // What is held now, by hands that are on something or by what waits.
  const held = placed
    .filter((p) => p.start < 1)
    .flatMap(({ block }) => [...new Set([...block.holds, ...block.holdsOn])]);
  const isLeft = (rig: string) => held.filter((h) => h === rig).length < (day.few[rig] ?? Infinity);
  return Array.from({ length: Math.max(1, day.people) }, (_, person) => {
    const until = placed.find((p) => p.person === person && p.block.hands > 0)?.start ?? Infinity;
    if (until < GAP) return null;
    const next = placed.find(
      ({ block }) => !taken.has(block.unit) && isReady(day, block.unit) && block.holds.every((rig) => isLeft(rig)),
    );
    if (!next) return null;
    taken.add(next.block.unit);
    held.push(...next.block.holds);
    return { unit: next.block.unit, until };
  });
}

/** Whether hands can be on a unit at once, and leave it again. */
export function isReady(day: Day, unit: number): boolean {
  const { from, isAway } = day.units[unit]!;
  return !isAway && from < 1 && (blocksOf(day.units[unit]!, unit)[0]?.hands ?? 0) > 0;
}
