import type { Instance } from "../model";
import { say } from "#words/core/simulate";

/** The circuit in one combination of discrete states. */
export interface Phase {
  /** Discrete state of every part. */
  readonly states: Int32Array;
  readonly memory: Float64Array;
  /** Seconds it lasts; Infinity when it is the state of rest. */
  readonly seconds: number;
}

/** The machine in one setup: one phase when it has settled, several when it keeps going round them. */
export interface State {
  readonly phases: readonly Phase[];
  readonly settled: boolean;
  readonly instances: readonly Instance<unknown>[];
}

/** Thrown when the analog part finds no operating point: an error of the model, never a reading. */
export class NoOperatingPoint extends Error {
  constructor(
    readonly machine: string,
    readonly setup: string,
    readonly fault: string,
  ) {
    super(say.noOperatingPointInSetup(machine, setup, fault));
    this.name = "NoOperatingPoint";
  }
}
