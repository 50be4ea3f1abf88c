import type { Reading } from "../../src/core/quantity/read";
import type { Test } from "../../src/core/simulate/test";
import { UnitOnTheBench } from "./unit-on-the-bench";

/**
 * A unit whose fault comes and goes: on a look it nearly always works; with the leads on and everything between them
 * moved it shows itself four times in five.
 */
export class FleetingUnit extends UnitOnTheBench {
  private readonly well = new UnitOnTheBench(this.machine, [], this.values, this.random);

  override read(test: Test): Reading {
    const shows = this.random() < (test.function === "look" ? 0.03 : 0.8);
    return shows ? super.read(test) : this.well.read(test);
  }
}
