import { costFollowing, optimalCost, planningCase } from "../tests/support/planning-cases";
import { ORDINARY_METER } from "../src/core/instrument";
import { EXACT_SUSPECTS, FaultDictionary } from "../src/core/diagnose";
import { calibrate, type Calibration } from "../tests/support/calibration";
import { FLEET, groupsOf, machineNamed } from "../tests/support/fleet";
import { searchWithSlip } from "../tests/support/misreadings";
import { mend } from "../tests/support/two-faults";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

const share = (list: readonly number[], at: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * at))] ?? 0;
const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);

/**
 * Cost of following the plan over the proven optimum; beside it the policy without rollout and without the exact end.
 */
export function benchPlans(cases: number) {
  const [ours, plain]: [number[], number[]] = [[], []];
  let [optimumMs, oursMs] = [0, 0];
  for (let seed = 1; seed <= cases; seed++) {
    const problem = planningCase(seed);
    let start = performance.now();
    const best = optimalCost(problem);
    optimumMs += performance.now() - start;
    if (!(best > 0)) continue;
    start = performance.now();
    ours.push(costFollowing(problem, EXACT_SUSPECTS, (planner, unitState) => planner.moves(unitState)[0]) / best);
    oursMs += performance.now() - start;
    plain.push(costFollowing(problem, 0, (planner, unitState) => planner.ofPolicy(unitState)) / best);
  }
  return {
    cases: ours.length,
    mean: mean(ours),
    p95: share(ours, 0.95),
    most: Math.max(...ours),
    plainMean: mean(plain),
    plainP95: share(plain, 0.95),
    optimumMs: optimumMs / cases,
    oursMs: oursMs / cases,
    ratios: ours,
    plainRatios: plain,
  };
}

/** One wrong reading in every run, over the fleet. */
export function benchSlips(isolations: readonly (readonly [string, FaultDictionary])[], each: number) {
  return isolations.map(([name, dictionary]) => {
    const random = randomSource(2_000 + FLEET.indexOf(name));
    const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" && h.led.length === 0 ? [h] : []));
    const committed = groupsOf(name);
    const tally = { machine: name, runs: 0, right: 0, nameable: 0, namedFirst: 0, named: 0 };
    for (let k = 0; k < each; k++) {
      const h = faults[Math.floor(random() * faults.length)]!;
      const values = randomValues(dictionary.machine, random);
      const seed = Math.floor(random() * 1e9);
      const run = searchWithSlip(
        dictionary,
        () => new UnitOnTheBench(dictionary.machine, [h.fault], values, randomSource(seed)),
        random,
      );
      if (run.kind === null) continue;
      const allowed = new Set(
        (committed.find((g) => g.includes(h.id)) ?? [h.id]).map(
          (id) => dictionary.hypotheses.find((x) => x.id === id)!.assembly,
        ),
      );
      tally.runs++;
      if (run.assemblies.includes(h.assembly) && run.assemblies.every((p) => allowed.has(p))) tally.right++;
      if (run.named) {
        tally.nameable++;
        tally.namedFirst += Number(run.named.first);
        tally.named += Number(run.named.any);
      }
    }
    return tally;
  });
}

/** Two faults at once on one machine; `most` pairs, drawn evenly from all of them. */
export function benchPairs(name: string, dictionary: FaultDictionary, most: number) {
  const random = randomSource(3_000 + FLEET.indexOf(name));
  const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" && h.led.length === 0 ? [h] : []));
  const all = faults.flatMap((a, i) =>
    faults.slice(i + 1).flatMap((b) => (a.fault.part === b.fault.part ? [] : [[a, b] as const])),
  );
  const chosen = all
    .map((pair) => ({ pair, by: random() }))
    .sort((x, y) => x.by - y.by)
    .slice(0, most)
    .map(({ pair }) => pair);
  const tally = {
    machine: name,
    pairs: all.length,
    tried: 0,
    crashes: 0,
    foundFirst: 0,
    both: 0,
    restUnseen: 0,
    inVain: 0,
    readings: 0,
  };
  for (const [a, b] of chosen) {
    tally.tried++;
    try {
      const mending = mend(
        dictionary,
        new UnitOnTheBench(dictionary.machine, [a.fault, b.fault], randomValues(dictionary.machine, random), random),
      );
      tally.readings += mending.readings;
      tally.inVain += mending.inVain;
      if (mending.found[0]?.wasBad === true || (mending.found.length === 0 && mending.unseen)) tally.foundFirst++;
      if (mending.well) tally.both++;
      else if (mending.unseen) tally.restUnseen++;
    } catch {
      tally.crashes++;
    }
  }
  return tally;
}

/** How far what is believed comes true, truth drawn from the prior. */
export function benchCalibration(
  isolations: readonly (readonly [string, FaultDictionary])[],
  each: number,
): Calibration {
  return calibrate(
    isolations.map(([, dictionary]) => dictionary),
    each,
    randomSource(4_000),
  );
}

/** The dictionaries of some machines, built. */
export function built(names: readonly string[]): readonly (readonly [string, FaultDictionary])[] {
  return names.map((name) => {
    const dictionary = FaultDictionary.of(machineNamed(name), ORDINARY_METER);
    dictionary.build();
    return [name, dictionary] as const;
  });
}
