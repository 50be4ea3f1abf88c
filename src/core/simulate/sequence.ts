import type { Fault } from "../model";
import type { Simulator } from "./energise";
import type { State } from "./state";
import type { Values } from "./values";
import { say } from "#words/core/simulate";

/** One leg of a sequence: a setup of the machine, and how long it lasts (seconds; the setup's own when left out). */
export interface Leg {
  readonly setup: string;
  readonly seconds?: number;
}

/**
 * Takes a machine with its faults through setups, one after another. What is persistent (a blown fuse, a tripped
 * cut-off, the mode of a program) is carried on. Throws a RangeError for a setup the machine has not, and
 * `NoOperatingPoint`.
 */
export function runSequence(
  simulator: Simulator,
  faults: readonly Fault[],
  values: Values,
  legs: readonly Leg[],
): State[] {
  const states: State[] = [];
  for (const leg of legs) {
    const setup = simulator.machine.setupById.get(leg.setup);
    if (!setup) throw new RangeError(say.noSetupSetup(leg.setup));
    states.push(
      simulator.energise(
        leg.seconds === undefined ? setup : { ...setup, seconds: leg.seconds },
        faults,
        values,
        states[states.length - 1],
      ),
    );
  }
  return states;
}
