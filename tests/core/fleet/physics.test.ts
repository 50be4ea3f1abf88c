import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { candidateTests } from "../../../src/core/diagnose/dictionary/candidates";
import { Simulator } from "../../../src/core/simulate/energise";
import { observeAll } from "../../../src/core/simulate/observe";
import { FLEET, machineNamed } from "../../support/fleet";
import { randomSource, randomValues } from "../../support/unit-on-the-bench";

describe.each(FLEET)("%s: every fault in every setup", (name) => {
  it("settles or goes round, shows no NaN, and neither makes nor loses energy", () => {
    const machine = machineNamed(name);
    const simulator = new Simulator(machine);
    const random = randomSource(31);
    const tests = candidateTests(machine).filter((_, i) => i % 9 === 0);
    for (const setup of machine.file.setups)
      for (const fault of [
        null,
        ...machine.parts.flatMap((part) => part.modes.map((mode) => ({ part: part.id, mode: mode.id }))),
      ]) {
        const state = simulator.energise(setup, fault ? [fault] : [], randomValues(machine, random));
        expect(state.settled || state.phases.length > 1).toBe(true);
        const here = tests.filter((t) => t.setup === setup.id);
        for (const shown of observeAll(simulator, state, here, ORDINARY_METER))
          if (shown.kind === "value")
            expect(Number.isFinite(shown.value), `${setup.id} ${JSON.stringify(fault)}`).toBe(true);
        simulator.circuit.load(state, state.phases[0]!);
        // Tellegen: over all elements and the leak, voltage times current adds to nothing; what sources give the rest
        // takes.
        let balance = simulator.circuit.leakWatts();
        let moved = 0;
        for (let e = 0; e < machine.ends.length / 2; e++) {
          const watts = simulator.circuit.elementVolts(e) * simulator.circuit.elementCurrent(e).dc;
          balance += watts;
          moved += Math.abs(watts);
        }
        expect(Math.abs(balance), `${setup.id} ${JSON.stringify(fault)}`).toBeLessThanOrEqual(1e-6 * moved + 1e-9);
      }
  });
});
