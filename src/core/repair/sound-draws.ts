import { verdictOf, type Window } from "../diagnose";
import type { Meter } from "../instrument";
import type { Machine, SetupEntry } from "../model";
import {
  makeTest,
  NoOperatingPoint,
  observe,
  sampledValues,
  Simulator,
  type State,
  type Test,
  type Values,
} from "../simulate";

const SEED = 4_100;
/** So many further sound machines are asked; estimate E52. */
const DRAWS = 40;
/** Meter errors by which a sound machine at the end of its tolerances may still be misread, standard deviations. */
const MISREAD = 2;

/** By how much a meter may misread a value in a test that shows one. */
export function misread(fn: keyof Meter["accuracy"], value: number, meter: Meter): number {
  const { relative, absolute } = meter.accuracy[fn];
  return MISREAD * Math.hypot(absolute, relative * value);
}

/** Of what forty sound machines spread over, so much lies beyond the outermost of them on either side; estimate E56. */
const BEYOND = 0.25;

/** A window wide enough for sound machines that lie further out than those that were drawn. */
function beyond(
  window: Extract<Window, { kind: "range" }>,
  values: readonly number[],
  off: (value: number) => number,
): Window {
  if (values.length === 0) return window;
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const further = BEYOND * (most - least);
  return {
    kind: "range",
    low: Math.min(window.low, least - off(least) - further),
    high: Math.max(window.high, most + off(most) + further),
  };
}

/** Sound machines drawn beyond the samples of the search, against which every step of a proof is held. One a proof. */
export class SoundDraws {
  private readonly simulator: Simulator;
  private readonly draws: readonly Values[];
  private readonly states = new Map<string, readonly State[]>();

  constructor(
    private readonly machine: Machine,
    private readonly meter: Meter,
  ) {
    this.simulator = new Simulator(machine);
    this.draws = Array.from({ length: DRAWS }, (_, i) => sampledValues(machine, SEED + i, 0.5));
  }

  /** The window, wide enough for all of them; null where one shows something of another kind: that proves nothing. */
  heldBy(test: Test, window: Window): Window | null {
    if (window.kind === "unsteady" || window.kind === "unspoken") return window;
    let held = window;
    const values: number[] = [];
    for (const state of this.statesIn(test.setup)) {
      const shown = observe(
        this.simulator,
        state,
        makeTest(test.setup, test.function, test.red, test.black),
        this.meter,
      );
      // What only lies within a factor on one of them is vague.
      if (shown.kind === "value" && shown.factor !== undefined) return null;
      const fits = verdictOf(held, shown) !== "does not fit";
      if (
        held.kind !== "range" ||
        shown.kind !== "value" ||
        test.function === "look" ||
        test.function === "continuity"
      ) {
        if (fits) continue;
        return null;
      }
      values.push(shown.value);
      const off = misread(test.function, shown.value, this.meter);
      held = {
        kind: "range",
        low: Math.min(held.low, shown.value - off),
        high: Math.max(held.high, shown.value + off),
      };
    }
    const { function: fn } = test;
    if (held.kind !== "range" || fn === "look" || fn === "continuity") return held;
    return beyond(held, values, (v) => misread(fn, v, this.meter));
  }

  private statesIn(id: string): readonly State[] {
    let states = this.states.get(id);
    if (!states) {
      const setup = this.machine.setupById.get(id)!;
      this.states.set(id, (states = this.draws.flatMap((values) => this.stateOf(setup, values))));
    }
    return states;
  }

  /** None where the model finds no operating point. */
  private stateOf(setup: SetupEntry, values: Values): readonly State[] {
    try {
      return [this.simulator.energise(setup, [], values)];
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
      return [];
    }
  }
}
