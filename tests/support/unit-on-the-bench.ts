import { ORDINARY_METER, type Meter } from "../../src/core/instrument/meter";
import type { Machine } from "../../src/core/model/machine";
import type { Fault } from "../../src/core/model/fault";
import type { Reading } from "../../src/core/quantity/read";
import { Simulator } from "../../src/core/simulate/energise";
import { observe } from "../../src/core/simulate/observe";
import type { State } from "../../src/core/simulate/state";
import { makeTest, type Test } from "../../src/core/simulate/test";
import type { Values } from "../../src/core/simulate/values";

/** Random numbers for tests: mulberry32, seeded, apart from the core's own. */
export function randomSource(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Part values, severities, supply and room drawn at random; independent of how the core draws its samples. */
export function randomValues(machine: Machine, random: () => number): Values {
  const spread = () => 2 * random() - 1;
  const severities = new Map<string, number>();
  for (const part of machine.parts)
    for (const mode of part.modes)
      if (mode.severity)
        severities.set(`${part.id}:${mode.id}`, mode.severity[0] * (mode.severity[1] / mode.severity[0]) ** random());
  return {
    supplyVolts: machine.file.supply.volts * (1 + (machine.file.supply.percent / 100) * spread()),
    ambient: machine.file.ambient + 8 * spread(),
    of: machine.parts.map((part) => part.parameters.map((p) => p.nominal * (1 + p.tolerance * spread()))),
    severity: (part, mode) => severities.get(`${part.id}:${mode.id}`) ?? 1,
    between: random(),
  };
}

/** A unit with a known fault and a meter with a known error: what a technician would read on it. */
export class UnitOnTheBench {
  private readonly simulator: Simulator;
  /** What the unit does in each setup, while its faults are the same. */
  private lived = new Map<string, State>();
  private livedWith: readonly Fault[] = [];
  constructor(
    readonly machine: Machine,
    public faults: readonly Fault[],
    readonly values: Values,
    protected readonly random: () => number,
    private readonly meter: Meter = ORDINARY_METER,
  ) {
    this.simulator = new Simulator(machine);
  }

  /** Repairs an assembly: whatever was wrong in it is gone. */
  repair(assembly: string): void {
    this.faults = this.faults.filter((f) => this.machine.partById.get(f.part)!.assembly !== assembly);
  }

  /** Whether everything that shows or runs, in every setup with power, is as on a sound machine of the same values. */
  looksSound(): boolean {
    const sound = new UnitOnTheBench(this.machine, [], this.values, this.random, this.meter);
    return this.machine.file.setups
      .filter((s) => s.power === "on")
      .every((setup) => {
        const looks = this.machine.parts.filter((p) => p.labels).map((p) => makeTest(setup.id, "look", p.id));
        return looks.every((test) => JSON.stringify(this.read(test)) === JSON.stringify(sound.read(test)));
      });
  }

  private stateIn(setup: string): State {
    if (this.livedWith !== this.faults) this.lived = new Map();
    this.livedWith = this.faults;
    let state = this.lived.get(setup);
    if (!state) {
      state = this.simulator.energise(this.machine.setupById.get(setup)!, this.faults, this.values);
      this.lived.set(setup, state);
    }
    return state;
  }

  /** The reading, with the meter's error: normal, cut at two standard deviations. */
  read(test: Test): Reading {
    const state = this.stateIn(test.setup);
    const shown = observe(this.simulator, state, test, this.meter);
    if (shown.kind !== "value" || test.function === "look" || test.function === "continuity") return shown;
    const { relative, absolute } = this.meter.accuracy[test.function];
    const noise = Math.max(
      -2,
      Math.min(2, Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random())),
    );
    return { kind: "value", value: shown.value + noise * Math.hypot(absolute, relative * shown.value) };
  }
}
