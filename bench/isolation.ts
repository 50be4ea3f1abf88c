import { ORDINARY_METER } from "../src/core/circuit/meter";
import { advise } from "../src/core/isolate/advise";
import { Isolation } from "../src/core/isolate/isolation";
import { makeTest } from "../src/core/simulate/test";
import { demoMachine } from "../tests/support/demo-machine";
import { search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

/** The dictionary of the demo machine, a step of advice, and every single fault by three ways of going about it. */
export function benchIsolation() {
  const machine = demoMachine();
  const isolation = new Isolation(machine, ORDINARY_METER);
  const start = performance.now();
  isolation.build();
  const dictionaryMilliseconds = performance.now() - start;

  const steps: number[] = [];
  for (let i = 0; i < 12; i++) {
    const before = performance.now();
    advise(isolation, [{ type: "complaint", id: "c", complaint: machine.file.complaints[i % machine.file.complaints.length]!.id }], { setup: "cold-call", openPanels: new Set() });
    steps.push(performance.now() - before);
  }

  const chain = machine.file.chain.map((t) => makeTest(t.setup, t.function, t.red, t.black));
  const random = randomSource(7);
  const ways = { advice: { readings: 0, minutes: 0, right: 0 }, walk: { readings: 0, minutes: 0, right: 0 }, random: { readings: 0, minutes: 0, right: 0 } };
  let faults = 0;
  for (const h of isolation.hypotheses) {
    if (h.kind !== "fault") continue;
    faults++;
    const values = randomValues(machine, random);
    const shuffled = chain.map((test) => ({ test, at: random() })).sort((a, b) => a.at - b.at).map(({ test }) => test);
    for (const [name, order] of [["advice", "advice"], ["walk", chain], ["random", shuffled]] as const) {
      const run = search(isolation, new UnitOnTheBench(machine, [h.fault], values, random), order);
      ways[name].readings += run.readings;
      ways[name].minutes += run.minutes;
      if (run.pieces.includes(h.piece)) ways[name].right++;
    }
  }
  for (const way of Object.values(ways)) { way.readings /= faults; way.minutes /= faults; }
  return {
    machine: machine.file.id, nodes: machine.nets.length, hypotheses: isolation.hypotheses.length, setups: machine.file.setups.length,
    permittedTests: isolation.permitted.length, usefulTests: isolation.candidates.length, dictionaryMilliseconds,
    adviceMedianMilliseconds: steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)]!, faults, ways,
  };
}
