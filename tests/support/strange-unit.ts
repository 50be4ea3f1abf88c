import type { Machine } from "../../src/core/model/machine";
import type { Fault } from "../../src/core/model/fault";
import type { Reading } from "../../src/core/quantity/read";
import { makeTest, type Test } from "../../src/core/simulate/test";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { UnitOnTheBench, randomValues } from "./unit-on-the-bench";

/** What a name of the file that was brought in is on the machine that is really there. */
export interface Stranger {
  /** Setups, points, clamps, and parts that are looked at; what is not named here is called alike. */
  readonly places: Readonly<Record<string, string>>;
  /** By the assembly of the file, that of the machine; several where the file takes them together. */
  readonly assemblies: Readonly<Record<string, string>>;
}

/**
 * A unit of a machine of which one has only what was brought in from its sheet: whatever is asked in the names of that
 * file is read on the real one.
 */
export class StrangeUnit extends UnitOnTheBench {
  private readonly real: UnitOnTheBench;
  private readonly whole: UnitOnTheBench;

  constructor(
    broughtIn: Machine,
    truth: Machine,
    private readonly fault: Fault,
    private readonly stranger: Stranger,
    random: () => number,
  ) {
    super(broughtIn, [fault], randomValues(broughtIn, random), random);
    const values = randomValues(truth, random);
    this.real = new UnitOnTheBench(truth, [fault], values, random);
    this.whole = new UnitOnTheBench(truth, [], values, random);
  }

  private onIt(test: Test): Test {
    const { places } = this.stranger;
    const place = (name: string) => places[name] ?? name;
    return makeTest(
      place(test.setup),
      test.function,
      place(test.red),
      test.black === undefined ? undefined : place(test.black),
    );
  }

  override read(test: Test): Reading {
    return this.real.read(this.onIt(test));
  }

  override repair(assembly: string): void {
    const real = this.stranger.assemblies[assembly] ?? assembly;
    this.real.repair(real);
    this.faults = this.real.faults;
  }

  /** Whether nothing that can be seen, or that a clamp reads, tells of the fault. */
  override looksSound(): boolean {
    return this.machine.file.setups
      .filter((s) => s.power === "on")
      .every((s) => {
        const looks = this.machine.parts.filter((p) => p.labels).map((p) => makeTest(s.id, "look", p.id));
        const clamps = [...this.machine.clamps.keys()].map((c) => makeTest(s.id, "clamp", c));
        return [...looks, ...clamps].every((t) => isAlike(this.real.read(this.onIt(t)), this.whole.read(this.onIt(t))));
      });
  }
}

/** Whether two readings are the same to whoever looks: labels, or amperes within a third. */
function isAlike(a: Reading, b: Reading): boolean {
  if (a.kind !== "value" || b.kind !== "value") return JSON.stringify(a) === JSON.stringify(b);
  const { absolute } = ORDINARY_METER.accuracy.clamp;
  return Math.abs(a.value - b.value) <= 3 * absolute + 0.3 * Math.abs(b.value);
}
