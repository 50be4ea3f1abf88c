import { isClamp, type Meter } from "../../instrument";
import { ChangeError, type Fault, type Machine, type SetupEntry, variantOf } from "../../model";
import { Names, type Reading, Readings, SHOWN } from "../../quantity";
import {
  type CircuitSnapshot,
  hangsOn,
  sampledValues,
  nominalValues,
  NoOperatingPoint,
  observe,
  observeInto,
  RECHECK_SOON,
  Simulator,
  type State,
  type Test,
  testKey,
  unspokenNodes,
  type Values,
} from "../../simulate";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import type { Prediction } from "../reading/prediction";
import { say } from "#words/core/diagnose/dictionary";

/** Seed of the drawn samples; part of what makes a proposal repeatable. */
export const SAMPLE_SEED = 20_260;

/** Quantile of severity of each sample. The first is the nominal one; the mildest and the worst are among them. */
const QUANTILES = [1 / 2, 0, 1 / 3, 2 / 3, 1, 1 / 12, 1 / 6, 1 / 4, 5 / 6];
/** A fault that is there or is not needs the first five only: they differ in part values, mains and room. */
const PLAIN = 5;
const SEEDS = Array.from({ length: PLAIN - 1 }, (_, i) => SAMPLE_SEED + i + 1);
/** Share of the range each quantile stands for: half-way to its neighbours. */
const GRADED_WEIGHTS = QUANTILES.map((q) => {
  const sorted = [...QUANTILES].sort((x, y) => x - y);
  const at = sorted.indexOf(q);
  return ((sorted[at + 1] ?? 1) - (sorted[at - 1] ?? 0)) / 2;
});
const PLAIN_WEIGHTS = Array.from({ length: PLAIN }, () => 1 / PLAIN);

/**
 * Weights of the samples a hypothesis is simulated as, adding to one. A fault of degree has more of them, close
 * together at its mild end, so that every regime of it (harmless, starving, dead) has a witness.
 */
export function sampleWeights(machine: Machine, hypothesis: Hypothesis): readonly number[] {
  // Two faults are weighed coarsely: there are many pairs, and what counts is which assemblies they lie in.
  if (hypothesis.kind !== "fault") return PLAIN_WEIGHTS;
  return isGraded(machine, hypothesis) ? GRADED_WEIGHTS : PLAIN_WEIGHTS;
}

/** Whether a fault of a hypothesis is one of degree. */
export function isGraded(machine: Machine, hypothesis: Hypothesis): boolean {
  return faultsOf(machine, hypothesis).some(
    (f) => machine.partById.get(f.part)?.modes.find((m) => m.id === f.mode)?.severity,
  );
}

/** Samples in which a fault of degree is at its mildest and at its worst. */
export const EXTREME_SAMPLES: readonly number[] = [QUANTILES.indexOf(0), QUANTILES.indexOf(1)];

/** The sample of the sound machine that is drawn as this one is: the further ones differ in degree only. */
export function soundSample(k: number): number {
  return k === 0 ? 0 : ((k - 1) % (PLAIN - 1)) + 1;
}

/** What one sample of a hypothesis shows in each of several tests; absent in those that the unit does not have. */
export type Column = Readings;

/** Samples stand for units this far off: degrees Celsius, and a share of the mains. */
const ROOM_APART = 4;
const MAINS_APART = 0.03;

/** The machine with nothing wrong, as a hypothesis. */
export const SOUND_MACHINE: Hypothesis = { kind: "no fault", id: "no-fault", assembly: "no-fault", prior: 1 };

/** Simulates hypotheses and keeps the samples. One a machine and thread. */
export class Predictor {
  readonly simulator: Simulator;
  private readonly samples: readonly Values[];
  private readonly variants = new Map<string, Predictor | null>();
  private readonly sound = new Map<string, SoundCircuit>();
  /** What a sound machine shows soon after power-up and later, by recheck and sample. */
  private readonly wellAfterPower = new Map<string, { readonly soon: string; readonly late: string }>();

  /** `names`: of the labels that its columns hold. */
  constructor(
    readonly machine: Machine,
    readonly meter: Meter,
    readonly names = new Names(),
  ) {
    this.simulator = new Simulator(machine);
    this.samples = QUANTILES.map((quantile, k) => {
      if (k === 0) return nominalValues(machine);
      // The further ones differ from the first in severity only: every hypothesis sees the same draws of all else.
      const base = soundSample(k);
      return sampledValues(machine, SAMPLE_SEED + base, quantile, QUANTILES[base]!, SEEDS);
    });
  }

  /**
   * How well each sample agrees with what is known of room and mains: logarithms, added to its weight; nothing
   * known: all alike.
   */
  fitOf({ celsius, volts }: { readonly celsius?: number; readonly volts?: number }): readonly number[] {
    const { supply } = this.machine.file;
    const logs = this.samples.map((s) => {
      const room = celsius === undefined ? 0 : (s.ambient - celsius) / ROOM_APART;
      const mains =
        volts === undefined || supply.volts === 0 ? 0 : (s.supplyVolts - volts) / (MAINS_APART * supply.volts);
      return -0.5 * (room * room + mains * mains);
    });
    // Far from every sample they are all alike again, not all impossible.
    const most = Math.max(...logs);
    return logs.map((l) => l - most);
  }

  /**
   * What every test of one setup shows under a hypothesis, in the order of `tests`; samples `from` to `to` - 1, the
   * nominal one being 0.
   */
  predict(
    setupId: string,
    tests: readonly Test[],
    hypothesis: Hypothesis,
    from = 0,
    to = sampleWeights(this.machine, hypothesis).length,
  ): Prediction[] {
    const columns = this.columns(setupId, tests, hypothesis, from, to);
    return tests.map((_, t) => predictionAt(columns, t));
  }

  /** The same sample by sample, none of "something else"; `predictionAt` picks a test from them. */
  columns(
    setupId: string,
    tests: readonly Test[],
    hypothesis: Hypothesis,
    from = 0,
    to = sampleWeights(this.machine, hypothesis).length,
  ): Column[] {
    if (hypothesis.kind === "something else") return [];
    if (hypothesis.kind === "not as drawn") return this.asFound(hypothesis, setupId, tests, from, to);
    const setup = this.machine.setupById.get(setupId);
    if (!setup) throw new RangeError(say.noSetupSetupId(setupId));
    const faults = faultsOf(this.machine, hypothesis);
    if (tests.some((t) => t.instant === "recheck"))
      return this.withRechecks(setup, tests, hypothesis, faults, from, to);
    return Array.from({ length: to - from }, (_, i) => this.column(setup, tests, hypothesis, faults, from + i));
  }

  private column(
    setup: SetupEntry,
    tests: readonly Test[],
    hypothesis: Hypothesis,
    faults: readonly Fault[],
    k: number,
  ): Column {
    const column = new Readings(tests.length, this.names);
    try {
      const state = this.simulator.energise(setup, faults, this.samples[k]!);
      this.lived(column, setup, tests, hypothesis, state, k);
      this.silence(column, setup, tests, state);
    } catch (error) {
      // Nothing at any of them, however far it came.
      if (!(error instanceof NoOperatingPoint)) throw error;
      column.kind.fill(SHOWN.none);
    }
    return column;
  }

  /** Nodes that nobody knows of on the sound machine, by setup. */
  private readonly unspoken = new Map<string, ReadonlySet<number> | null>();

  /**
   * Takes out what hangs on pins of which a board's sheet says nothing: in this state, or in that of the sound machine;
   * a reading there speaks for and against nobody.
   */
  private silence(column: Column, setup: SetupEntry, tests: readonly Test[], state: State): void {
    const { machine } = this;
    if (!machine.parts.some((p) => p.kind.electrical.unspoken)) return;
    if (!this.unspoken.has(setup.id)) {
      const sound = this.simulator.energise(setup, [], this.samples[0]!);
      this.unspoken.set(setup.id, unspokenNodes(machine, sound));
    }
    for (const nodes of [this.unspoken.get(setup.id)!, unspokenNodes(machine, state)])
      if (nodes)
        tests.forEach((test, t) => {
          if (hangsOn(machine, test, nodes)) column.set(t, SHOWN.absent);
        });
  }

  private lived(
    column: Column,
    setup: SetupEntry,
    tests: readonly Test[],
    hypothesis: Hypothesis,
    state: State,
    k: number,
  ): void {
    const sound = this.soundCircuit(setup.id, k, tests, state.settled && hypothesis.kind === "no fault");
    // Most faults change nothing in most setups: what a meter shows is then what it shows on the sound machine.
    if (sound?.readings && state.settled && sound.tests === tests && this.simulator.circuit.isSameAs(sound.circuit)) {
      column.takeAll(sound.readings);
      // What is seen depends on the fault too: a seized fan draws current and stands still.
      tests.forEach((test, t) => {
        if (test.function === "look") column.put(t, observe(this.simulator, state, test, this.meter));
      });
      return;
    }
    observeInto(this.simulator, state, tests, this.meter, column);
    if (hypothesis.kind === "no fault" && sound) sound.readings = column;
  }

  /**
   * The same on the machine as it was perhaps found; undefined for tests that it does not have, and for all where the
   * change cannot be made.
   */
  private asFound(
    hypothesis: Extract<Hypothesis, { kind: "not as drawn" }>,
    setupId: string,
    tests: readonly Test[],
    from: number,
    to: number,
  ): Column[] {
    const other = this.variant(hypothesis);
    if (!other) return [];
    const { machine } = other;
    const has = (t: Test) => {
      if (t.function === "look") return machine.partById.has(t.red);
      return isClamp(t.function)
        ? machine.clamps.has(t.red)
        : machine.points.has(t.red) && machine.points.has(t.black ?? "");
    };
    const there = tests.filter(has);
    return other.columns(setupId, there, SOUND_MACHINE, from, to).map((column) => {
      const all = new Readings(tests.length, this.names);
      let next = 0;
      tests.forEach((t, i) => (has(t) ? all.take(i, column, next++) : all.set(i, SHOWN.absent)));
      return all;
    });
  }

  private variant(hypothesis: Extract<Hypothesis, { kind: "not as drawn" }>): Predictor | null {
    if (!this.variants.has(hypothesis.id)) {
      try {
        this.variants.set(
          hypothesis.id,
          new Predictor(variantOf(this.machine.file, [hypothesis.change]), this.meter, this.names),
        );
      } catch (error) {
        if (!(error instanceof ChangeError)) throw error;
        this.variants.set(hypothesis.id, null);
      }
    }
    return this.variants.get(hypothesis.id)!;
  }

  /**
   * The same where some tests are rechecks: what is shown soon after power-up and later, beside what the sound
   * machine shows then.
   */
  private withRechecks(
    setup: SetupEntry,
    tests: readonly Test[],
    hypothesis: Hypothesis,
    faults: readonly Fault[],
    from: number,
    to: number,
  ): Column[] {
    const shown = (test: Test, whose: readonly Fault[], k: number, at: SetupEntry): string => {
      const seen = observe(
        this.simulator,
        this.simulator.energise(at, whose, this.samples[k]!),
        { ...test, instant: "settled" },
        this.meter,
      );
      return seen.kind === "label" ? seen.label : seen.kind;
    };
    const rechecked = (test: Test, k: number): Reading | null => {
      try {
        const soon = { ...setup, seconds: RECHECK_SOON };
        const key = `${testKey(test)}#${k}`;
        const well = this.wellAfterPower.get(key) ?? {
          soon: shown(test, [], k, soon),
          late: shown(test, [], k, setup),
        };
        this.wellAfterPower.set(key, well);
        // Most faults are not to be seen there at all.
        if (shown(test, faults, k, setup) === well.late) return { kind: "label", label: "clears" };
        return {
          kind: "label",
          label: shown(test, faults, k, soon) !== well.soon ? "returns at once" : "returns later",
        };
      } catch (error) {
        if (!(error instanceof NoOperatingPoint)) throw error;
        return null;
      }
    };
    const plain = this.columns(
      setup.id,
      tests.filter((t) => t.instant !== "recheck"),
      hypothesis,
      from,
      to,
    );
    return plain.map((column, i) => {
      const all = new Readings(tests.length, this.names);
      let next = 0;
      tests.forEach((test, t) => {
        if (test.instant === "recheck") all.put(t, rechecked(test, from + i));
        else all.take(t, column, next++);
      });
      return all;
    });
  }

  /**
   * The sound machine in this setup and sample, if it has been simulated for the same tests; made anew when it is
   * the one just energised.
   */
  private soundCircuit(setupId: string, sample: number, tests: readonly Test[], isSound: boolean): SoundCircuit | null {
    const key = `${setupId}#${sample}`;
    if (isSound) this.sound.set(key, { circuit: this.simulator.circuit.snapshot(), tests, readings: null });
    return this.sound.get(key) ?? null;
  }
}

/** What one of the tests shows, sample by sample. Nothing where the unit does not have that test. */
export function predictionAt(columns: readonly Column[], t: number): Prediction {
  const readings: (Reading | null)[] = new Array(columns.length);
  for (let k = 0; k < columns.length; k++) {
    const shown = columns[k]!.at(t);
    if (shown === undefined) return NOTHING;
    readings[k] = shown;
  }
  return readings;
}

const NOTHING: Prediction = [];

interface SoundCircuit {
  readonly circuit: CircuitSnapshot;
  readonly tests: readonly Test[];
  readings: Readings | null;
}
