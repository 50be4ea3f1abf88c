import { advise, costOf, FaultDictionary, sameNominal, walkOf } from "../src/core/diagnose";
import { ORDINARY_METER } from "../src/core/instrument";
import { FLEET, groupsOf, machineNamed } from "../tests/support/fleet";
import { search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

/** Walking and random order are tried on every n-th fault only: they take long. */
const EVERY = Number(process.env.EVERY ?? 4);

/** Every n-th fault is searched for; every one, unless told otherwise. */
export const FAULTS_EVERY = Number(process.env.FAULTS_EVERY ?? 1);

/** The dictionary of a machine, a step of advice, and its faults by three ways of going about it. */
function benchMachine(name: string) {
  const machine = machineNamed(name);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  const start = performance.now();
  dictionary.build();
  const dictionaryMilliseconds = performance.now() - start;
  const steps = machine.file.complaints
    .map((c) => {
      const before = performance.now();
      advise(dictionary, [{ type: "complaint", id: "c", complaint: c.id }], { setup: c.setup, openPanels: new Set() });
      return performance.now() - before;
    })
    .sort((a, b) => a - b);

  let inVain = 0;
  const committed = groupsOf(name);
  const walk = walkOf(machine);
  const random = randomSource(7);
  const ways = {
    advice: { readings: 0, minutes: 0, right: 0, faults: 0 },
    walk: { readings: 0, minutes: 0, right: 0, faults: 0 },
    random: { readings: 0, minutes: 0, right: 0, faults: 0 },
  };
  const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" ? [h] : []));
  faults.forEach((h, i) => {
    if (i % FAULTS_EVERY !== 0) return;
    const values = randomValues(machine, random);
    const shuffled = walk
      .map((test) => ({ test, at: random() }))
      .sort((a, b) => a.at - b.at)
      .map(({ test }) => test);
    for (const [way, order] of [
      ["advice", "advice"],
      ["walk", walk],
      ["random", shuffled],
    ] as const) {
      if (way !== "advice" && i % EVERY !== 0) continue;
      const run = search(dictionary, new UnitOnTheBench(machine, [h.fault, ...h.led], values, random), order);
      if (way === "advice") inVain += run.inVain.length;
      ways[way].faults++;
      ways[way].readings += run.readings;
      ways[way].minutes += run.minutes;
      const allowed = new Set(
        (committed.find((g) => g.includes(h.id)) ?? [h.id]).map(
          (id) => dictionary.hypotheses.find((x) => x.id === id)!.assembly,
        ),
      );
      if (run.assemblies.includes(h.assembly) && run.assemblies.every((p) => allowed.has(p))) ways[way].right++;
    }
  });
  for (const way of Object.values(ways)) {
    way.readings /= way.faults;
    way.minutes /= way.faults;
  }
  const together = new Set(groupsOf(name).flat());
  const weight = (list: typeof faults) => list.reduce((sum, h) => sum + h.prior, 0);
  const alone = faults.filter((h) => !together.has(h.id));
  return {
    machine: name,
    nodes: machine.nets.length,
    hypotheses: dictionary.hypotheses.length,
    setups: machine.file.setups.length,
    permittedTests: dictionary.permitted.length,
    usefulTests: dictionary.candidates.length,
    dictionaryMilliseconds,
    adviceMedianMilliseconds: steps[Math.floor(steps.length / 2)]!,
    adviceP95Milliseconds: steps[Math.min(steps.length - 1, Math.floor(0.95 * steps.length))]!,
    inVain,
    lowerBound: lowerBoundOf(
      dictionary,
      faults.map((h) => h.id),
    ),
    faults: faults.length,
    alone: alone.length,
    aloneWeighted: weight(alone) / weight(faults),
    ways,
  };
}

/**
 * Mean over faults of the cheapest test, from where the complaint leaves the unit, that a sound machine would not
 * pass.
 */
function lowerBoundOf(dictionary: FaultDictionary, faults: readonly string[]): number {
  const { machine } = dictionary;
  const unitState = { setup: machine.file.complaints[0]!.setup, openPanels: new Set<string>() };
  const costs = dictionary.candidates
    .map((test) => ({ test, minutes: costOf(machine, unitState, test).minutes }))
    .sort((a, b) => a.minutes - b.minutes);
  const cheapest = faults.map((id) => {
    const at = dictionary.hypotheses.findIndex((h) => h.id === id);
    return (
      costs.find(({ test }) => {
        const p = dictionary.predictionsFor(test);
        return !sameNominal(test, p[0]!, p[at]!, dictionary.meter);
      })?.minutes ?? 0
    );
  });
  return cheapest.reduce((a, b) => a + b, 0) / cheapest.length;
}

/** Every machine of the fleet, or those whose names hold one of `wanted`. */
export function benchIsolation(wanted: readonly string[]) {
  return FLEET.filter((name) => wanted.length === 0 || wanted.some((w) => name.includes(w))).map(benchMachine);
}
