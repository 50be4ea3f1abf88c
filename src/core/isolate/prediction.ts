import type { Meter } from "../circuit/meter";
import type { Machine } from "../machine/compile";
import type { Shown } from "../quantity/read";
import { observe, observeAll } from "../simulate/observe";
import { NoOperatingPoint, Simulator, type CircuitSnapshot } from "../simulate/energise";
import type { Test } from "../simulate/test";
import { drawnValues, nominalValues, type Values } from "../simulate/values";
import type { Hypothesis } from "./hypothesis";

/** Specimens simulated for each hypothesis: one nominal, the others drawn. More cost time and change little. */
export const SPECIMENS = 5;
/** Seed of the drawn specimens; part of what makes a proposal repeatable. */
export const SPECIMEN_SEED = 20_260;

/**
 * Quantiles of severity for the drawn specimens: 0, 1/3, 2/3, 1 of four, with the nominal one in the middle. The mildest
 * and the worst are among them, so that every regime of a graded fault has a witness.
 */
function stratumOf(k: number, specimens: number): number {
  return specimens < 3 ? 0.5 : (k - 1) / (specimens - 2);
}

/**
 * What one test shows under one hypothesis: one reading a specimen, null where the model found no operating point.
 * Empty for "something else", which predicts nothing.
 */
export type Prediction = readonly (Shown | null)[];

/** Simulates hypotheses and keeps the specimens. One a machine and thread. */
export class Predictor {
  readonly simulator: Simulator;
  private readonly specimens: readonly Values[];
  private readonly sound = new Map<string, SoundCircuit>();

  constructor(readonly machine: Machine, readonly meter: Meter, specimens = SPECIMENS) {
    this.simulator = new Simulator(machine);
    this.specimens = Array.from({ length: specimens }, (_, k) => (k === 0 ? nominalValues(machine) : drawnValues(machine, SPECIMEN_SEED + k, stratumOf(k, specimens))));
  }

  get specimenCount(): number { return this.specimens.length; }

  /** What every test of one setup shows under a hypothesis, in the order of `tests`; specimens `from` to `to` - 1, the nominal one being 0. */
  predict(setupId: string, tests: readonly Test[], hypothesis: Hypothesis, from = 0, to = this.specimens.length): Prediction[] {
    if (hypothesis.kind === "something else") return tests.map(() => []);
    const setup = this.machine.setupById.get(setupId);
    if (!setup) throw new RangeError(`no setup ${setupId}`);
    const faults = hypothesis.kind === "fault" ? [hypothesis.fault] : [];
    const readings: (Shown | null)[][] = tests.map(() => []);
    for (let k = from; k < to; k++) {
      try {
        const state = this.simulator.energise(setup, faults, this.specimens[k]!);
        const sound = this.soundCircuit(setupId, k, tests, state.settled && hypothesis.kind === "no fault");
        // Most faults change nothing in most setups: what a meter shows is then what it shows on the sound machine.
        const same = sound !== null && state.settled && sound.tests === tests && this.simulator.isSameAs(sound.circuit);
        const shown = same && sound.readings.length > 0 ? sound.readings : observeAll(this.simulator, state, tests, this.meter);
        // What is seen depends on the fault too: a seized fan draws current and stands still.
        tests.forEach((test, t) => readings[t]!.push(same && test.function === "look" ? observe(this.simulator, state, test, this.meter) : shown[t]!));
        if (hypothesis.kind === "no fault" && sound) sound.readings = shown;
      } catch (error) {
        if (!(error instanceof NoOperatingPoint)) throw error;
        for (const row of readings) row.push(null);
      }
    }
    return readings;
  }

  /** The sound machine in this setup and specimen, if it has been simulated for the same tests; made anew when it is the one just energised. */
  private soundCircuit(setupId: string, specimen: number, tests: readonly Test[], isSound: boolean): SoundCircuit | null {
    const key = `${setupId}#${specimen}`;
    if (isSound) this.sound.set(key, { circuit: this.simulator.snapshot(), tests, readings: [] });
    return this.sound.get(key) ?? null;
  }
}

interface SoundCircuit {
  readonly circuit: CircuitSnapshot;
  readonly tests: readonly Test[];
  readings: readonly Shown[];
}
