import type { DayPlan } from "./schedule";

/**
 * Which person of a plan is whom: hands are all the same to the plan, but who was on a unit last goes on with it. Names by
 * person of the plan; `lastOn` names who wrote of each unit last.
 */
export function namesOfHands(
  { placed }: DayPlan,
  people: readonly string[],
  lastOn: readonly (string | null)[],
): readonly string[] {
  const names: (string | null)[] = people.map(() => null);
  // Who comes to a unit of his own soonest is named first.
  for (const { block, person } of placed) {
    const last = lastOn[block.unit];
    if (block.hands === 0 || !last || names[person] !== null) continue;
    if (people.includes(last) && !names.includes(last)) names[person] = last;
  }
  const left = people.filter((p) => !names.includes(p));
  return names.map((name) => name ?? left.shift()!);
}
