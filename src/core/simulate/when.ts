import type { Fault, SetupEntry } from "../model";
import { stagesOf } from "./conditions";
import type { Simulator } from "./energise";
import { NoOperatingPoint } from "./state";
import type { Values } from "./values";
import { say } from "#words/core/simulate";

/**
 * Moments at which one looks, after the first: each this much later than the one before, and the least pause,
 * seconds.
 */
const LATER = 1.12;
const PAUSE = 0.5;

/**
 * Seconds from when a setup is brought about until a part first shows a label; Infinity when it does not within
 * `limit` seconds, null
 * where the model finds no operating point. Throws a RangeError for a part that shows nothing.
 */
export function secondsUntil(
  simulator: Simulator,
  setup: SetupEntry,
  faults: readonly Fault[],
  values: Values,
  partId: string,
  label: string,
  limit: number,
): number | null {
  const part = simulator.machine.partById.get(partId);
  if (!part?.labels) throw new RangeError(say.isNothingOneCanSee(partId));
  const stages = stagesOf(simulator.machine, setup, values);
  const course = simulator.begin(setup, faults, values, stages[0]!.conditions, 0);
  const shows = () => {
    const phase = { states: course.states, memory: course.memory, seconds: Infinity };
    const state = { phases: [phase], settled: true, instances: course.instances };
    simulator.circuit.load(state, phase);
    return simulator.circuit.seen(state, phase, part.index) === label;
  };
  try {
    let start = 0;
    for (const stage of stages) {
      course.instances = course.instancesIn(stage.conditions);
      if (stage.isLast) break;
      start += stage.seconds;
      simulator.advance(course, start);
    }
    for (let after = 0; after <= limit; after = Math.max(after + PAUSE, after * LATER)) {
      simulator.advance(course, start + after);
      if (shows()) return after;
    }
    return Infinity;
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}
