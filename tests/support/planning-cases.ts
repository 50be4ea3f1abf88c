import { Planner, type PlanProblem, type PlannedMove } from "../../src/core/diagnose/planning/planner";
import { randomSource } from "./unit-on-the-bench";

/**
 * A made-up unit: faults in assemblies, tests behind covers and with the power on or off. Standing: bit 0 the power, the
 * rest the open covers.
 */
export function planningCase(seed: number): PlanProblem {
  const random = randomSource(seed);
  const faults = 6 + Math.floor(random() * 9);
  const covers = [3 + 5 * random(), 2 + 8 * random(), 5 + 10 * random()];
  const tests = Array.from({ length: 14 + Math.floor(random() * 8) }, () => {
    const results = random() < 0.8 ? 2 : 3;
    const skew = 0.5 + random();
    return {
      labels: Uint8Array.from({ length: faults }, () => Math.floor(results * random() ** skew)),
      powered: random() < 0.5,
      cover: random() < 0.3 ? -1 : Math.floor(random() * covers.length),
      minutes: 0.5 + 2 * random() + (random() < 0.2 ? 5 * random() : 0),
    };
  });
  const assemblies: number[] = [];
  for (let i = 0; i < faults; i++) assemblies.push(random() < 0.3 && i > 0 ? Math.floor(random() * i) : i);
  const minutes = (t: number, unitState: number) => {
    const test = tests[t]!;
    let [sum, on] = [test.minutes, (unitState & 1) === 1];
    const toOpen = test.cover >= 0 && (unitState & (2 << test.cover)) === 0;
    if (on && (!test.powered || toOpen)) {
      sum += 1.5;
      on = false;
    }
    if (toOpen) sum += covers[test.cover]!;
    return sum + (test.powered && !on ? 0.5 : 0);
  };
  return {
    weights: Array.from({ length: faults }, () => 0.1 + 3 * random() ** 2),
    assemblies,
    labels: tests.map((t) => t.labels),
    minutes,
    cost: (t, unitState) => minutes(t, unitState) + (tests[t]!.powered ? 1 : 0),
    after: (t, unitState) =>
      (unitState & ~1) | Number(tests[t]!.powered) | (tests[t]!.cover >= 0 ? 2 << tests[t]!.cover : 0),
    attempts: [],
    wasted: Array.from({ length: faults }, () => 40 + 60 * random()),
  };
}

/** Where a made-up unit stands at first: powered, all covers on. */
export const AT_FIRST = 1;

/** The least expected cost there is, by dynamic programming over all sets of faults and standings. */
export function optimalCost(problem: PlanProblem): number {
  const total = problem.weights.reduce((a, b) => a + b, 0);
  return new Planner(problem, 30).exact(2 ** problem.weights.length - 1, AT_FIRST).cost / total;
}

/** What it costs to follow a planner that plans anew after each result; `choose` picks among its moves. */
export function costFollowing(
  problem: PlanProblem,
  exactBelow: number,
  choose: (planner: Planner, unitState: number) => PlannedMove | undefined,
): number {
  const total = problem.weights.reduce((a, b) => a + b, 0);
  const follow = (left: readonly number[], unitState: number): number => {
    const weight = left.reduce((sum, i) => sum + problem.weights[i]!, 0);
    const rest: PlanProblem = {
      ...problem,
      weights: left.map((i) => problem.weights[i]!),
      assemblies: left.map((i) => problem.assemblies[i]!),
      labels: problem.labels.map((l) => Uint8Array.from(left, (i) => l[i]!)),
    };
    const planner = new Planner(rest, exactBelow);
    if (new Set(rest.assemblies).size < 2) return 0;
    const move = left.length <= exactBelow ? undefined : choose(planner, unitState);
    // Few are left, or nothing tells them apart: what then remains to be paid is known.
    if (move?.move.kind !== "test") return planner.exact(2 ** left.length - 1, unitState).cost;
    const { test } = move.move;
    const groups = new Map<number, number[]>();
    for (const i of left) groups.set(problem.labels[test]![i]!, [...(groups.get(problem.labels[test]![i]!) ?? []), i]);
    let cost = weight * problem.cost(test, unitState);
    for (const group of groups.values()) cost += follow(group, problem.after(test, unitState));
    return cost;
  };
  return (
    follow(
      problem.weights.map((_, i) => i),
      AT_FIRST,
    ) / total
  );
}
