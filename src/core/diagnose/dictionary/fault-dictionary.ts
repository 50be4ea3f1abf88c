import type { Meter } from "../../instrument";
import { faultId, type Machine } from "../../model";
import { Readings, SHOWN } from "../../quantity";
import { type Test, testKey } from "../../simulate";
import type { Repair } from "../evidence/evidence";
import { Stopwatch } from "../evidence/timed-observation";
import { faultsOf, hypothesesOf, assembliesOf, type Hypothesis } from "../hypotheses/hypothesis";
import type { Prediction } from "../reading/prediction";
import { candidateTests, namedTests, tellingTests } from "./candidates";
import { blendRow, comingAndGoing } from "./intermittent";
import { outcomeTable, type OutcomeTable } from "./outcomes";
import {
  type Column,
  EXTREME_SAMPLES,
  isGraded,
  predictionAt,
  Predictor,
  sampleWeights,
  soundSample,
} from "./predictor";
import { type PackedPredictions, predictionIn, shared, sharedRows } from "./shared-predictions";
import { completedSamples, leadsOf, predictedIn, type Shown, shownIn } from "./spared-samples";
import { type DictionaryContent, packDictionary, unpackDictionary } from "./stored-dictionary";

/** Tests whose predictions are picked up together. */
const BLOCK = 16;

/**
 * What every fault of a machine would show in every permitted test: one a machine, meter and thread. It knows no
 * evidence; what evidence makes of it is `belief`, what a test is worth is `planning`. Everything follows from the
 * machine file; ties break by the tests' names.
 */
export class FaultDictionary {
  readonly hypotheses: readonly Hypothesis[];
  private useful: readonly Test[] = [];
  /** What was built elsewhere: predictions by place of the useful test, made when they are asked for. */
  private stored: { readonly places: ReadonlyMap<string, number>; readonly content: DictionaryContent } | null = null;
  /** Distinct assemblies. */
  readonly assemblies: readonly string[];
  private readonly predictor: Predictor;
  private readonly predictions = new Map<string, readonly Prediction[]>();
  private readonly tables = new Map<string, OutcomeTable>();
  readonly stopwatch: Stopwatch;
  /**
   * What hypotheses that are weighed now and then predict, by hypothesis and test; shared with every widened
   * dictionary.
   */
  private readonly kept: Map<string, Map<string, Prediction>>;

  /** For each hypothesis the logarithms of its samples' weights. */
  readonly logWeights: readonly Float64Array[];

  /** `base` and `more`: a dictionary that is there, widened by further hypotheses; see `widened`. */
  private constructor(
    readonly machine: Machine,
    readonly meter: Meter,
    private readonly base: FaultDictionary | null,
    private readonly more: readonly Hypothesis[],
    private readonly together: readonly Test[],
    /** Whether every fault is taken to come and go: what is measured is then provoked, and may stay away. */
    readonly comesAndGoes = false,
    /** What is weighed, where that is not every fault of the machine. */
    own: readonly Hypothesis[] | null = null,
  ) {
    this.predictor = base?.predictor ?? new Predictor(machine, meter);
    const outside = more.reduce((sum, h) => sum + h.prior, 0);
    const always = base?.hypotheses ?? own ?? hypothesesOf(machine);
    this.hypotheses = [...always.map((h) => ({ ...h, prior: h.prior * (1 - outside) })), ...more];
    this.logWeights = this.hypotheses.map(
      (h, i) => base?.logWeights[i] ?? Float64Array.from(sampleWeights(machine, h), Math.log),
    );
    this.assemblies = [...new Set(this.hypotheses.map((h) => h.assembly))];
    this.kept = base?.kept ?? new Map();
    this.stopwatch = base?.stopwatch ?? new Stopwatch(machine);
  }

  /** `own`: what is weighed, where that is not every fault of the machine; what a sound one shows comes first. */
  static of(machine: Machine, meter: Meter, own: readonly Hypothesis[] | null = null): FaultDictionary {
    return new FaultDictionary(machine, meter, null, [], [], false, own);
  }

  /**
   * The dictionary of a machine from what `packed` made of it: the same as built anew, bit for bit. Throws a RangeError
   * for bytes that do not belong to it.
   */
  static restored(machine: Machine, meter: Meter, bytes: Uint8Array): FaultDictionary {
    const dictionary = FaultDictionary.of(machine, meter);
    const content = unpackDictionary(bytes, dictionary.hypotheses.length);
    dictionary.useful = content.tests.slice(0, content.useful);
    dictionary.stored = { content, places: new Map(content.tests.map((test, place) => [testKey(test), place])) };
    return dictionary;
  }

  /** What was built, as bytes; see `restored`. */
  packed(): Uint8Array<ArrayBuffer> {
    const tests = [...this.useful, ...this.namedOnly()];
    return packDictionary(
      { tests, useful: this.useful.length, predictionsOf: (place) => this.predictionsFor(tests[place]!) },
      this.hypotheses.length,
    );
  }

  /** What the file itself asks and the search would not. */
  private namedOnly(): readonly Test[] {
    const useful = new Set(this.useful.map(testKey));
    return namedTests(this.machine).filter((t) => !useful.has(testKey(t)));
  }

  private worthThinkingOf: readonly Test[] | null = null;

  /** Every permitted test worth thinking of. */
  get permitted(): readonly Test[] {
    return this.base?.permitted ?? (this.worthThinkingOf ??= candidateTests(this.machine));
  }

  /**
   * This dictionary with further hypotheses beside its own; what they predict is worked out when it is asked for, and
   * kept. `together` are the tests that will be asked for: what costs is bringing the machine into a setup, so those of
   * one setup are read at once.
   */
  widened(more: readonly Hypothesis[], together: readonly Test[] = this.candidates): FaultDictionary {
    return new FaultDictionary(this.machine, this.meter, this, more, together, this.comesAndGoes);
  }

  /** How often the machine was brought into a setup so far: most of what building costs. */
  get broughtAbout(): number {
    return this.predictor.simulator.energised;
  }

  private fleeting: FaultDictionary | null = null;

  /** This dictionary for a complaint that comes and goes; made once. */
  comingAndGoing(): FaultDictionary {
    return (this.fleeting ??= new FaultDictionary(this.machine, this.meter, this, [], [], true));
  }

  /** The tests that can tell suspects apart; empty until `build`. */
  get candidates(): readonly Test[] {
    return this.base?.candidates ?? this.useful;
  }

  /** Simulates every hypothesis in every setup; `progress` is told the share done. Safe to call again. */
  build(progress?: (share: number) => void): void {
    const steps = this.buildSteps();
    for (let step = steps.next(); !step.done; step = steps.next()) progress?.(step.value);
  }

  /**
   * The same in small steps, each yielding the share done, so that a caller can breathe between them.
   * First every candidate at nominal values, which shows the tests that can tell nothing; then the drawn
   * samples for the others only.
   */
  *buildSteps(): Generator<number, void> {
    const { setups } = this.machine.file;
    const n = this.hypotheses.length;
    const total = setups.length * this.logWeights.reduce((sum, w) => sum + w.length, 0);
    let done = 0;
    // By setup and hypothesis: the nominal sample first.
    const permitted = new Set(this.permitted.map(testKey));
    const asked = [...this.permitted, ...namedTests(this.machine).filter((t) => !permitted.has(testKey(t)))];
    const nominal = setups.map((setup) => ({
      setup,
      tests: asked.filter((t) => t.setup === setup.id),
      columns: [] as Column[][],
    }));
    const shown = new Map<string, Column>();
    for (const { setup, tests, columns } of nominal) {
      for (let h = 0; h < n; h++, done++) {
        columns.push(this.predictor.columns(setup.id, tests, this.hypotheses[h]!, 0, 1));
        if (h % 16 === 15) yield done / total;
      }
      tests.forEach((test, t) => {
        const byHypothesis = new Readings(n, this.predictor.names);
        columns.forEach(([first], h) => (first ? byHypothesis.take(h, first, t) : byHypothesis.set(h, SHOWN.absent)));
        shown.set(testKey(test), byHypothesis);
      });
    }
    this.useful = tellingTests(this.machine, this.permitted, shown);
    shown.clear();
    const isKept = new Set([...this.useful, ...this.namedOnly()].map(testKey));

    const earlier = new Map<string, readonly Prediction[]>();
    for (const { tests, columns } of nominal) {
      const kept = tests.filter((t) => isKept.has(testKey(t)));
      const places = Int32Array.from(tests.flatMap((t, place) => (isKept.has(testKey(t)) ? [place] : [])));
      const before = kept.map((t) => earlier.get(leadsOf(this.machine, t)));
      for (let h = 0; h < n; h++) {
        const [own] = columns[h]!;
        if (own && kept.length > 0) {
          // Of the nominal one only what is still asked; the others beside it.
          const first = new Readings(places.length, own.names);
          places.forEach((place, t) => first.take(t, own, place));
          // The sound machine comes first, and shows nothing but its own.
          const known =
            h === 0
              ? []
              : [shownIn(columns[0]!, soundSample), predictedIn(before.map((predictions) => predictions?.[h]))];
          columns[h] = this.furtherSamples(kept, this.hypotheses[h]!, this.logWeights[h]!.length, first, known);
        }
        done += this.logWeights[h]!.length - 1;
        if (h % 4 === 3) yield done / total;
      }
      this.keepAll(kept, columns);
      // What is kept is kept by test; the columns are millions of readings.
      columns.length = 0;
      for (const test of kept) {
        const leads = leadsOf(this.machine, test);
        if (!earlier.has(leads)) earlier.set(leads, this.predictions.get(testKey(test))!);
      }
    }
    yield 1;
  }

  /**
   * All samples of a hypothesis in one setup, the nominal one being there already; those that show only what is `known`
   * are not simulated.
   */
  private furtherSamples(
    tests: readonly Test[],
    hypothesis: Hypothesis,
    count: number,
    nominal: Column,
    known: readonly Shown[],
  ): Column[] {
    const [{ setup }] = tests as [Test];
    const simulated = new Map([[0, nominal]]);
    const simulate = (k: number) => this.predictor.columns(setup, tests, hypothesis, k, k + 1)[0]!;
    if (known.length > 0) {
      // Of a fault of degree its mildest and its worst are looked at first.
      if (isGraded(this.machine, hypothesis)) for (const k of EXTREME_SAMPLES) simulated.set(k, simulate(k));
      const all = completedSamples(tests, simulated, count, known, { meter: this.meter, names: this.predictor.names });
      if (all) return all;
    }
    return Array.from({ length: count }, (_, k) => simulated.get(k) ?? simulate(k));
  }

  /** Keeps what the columns of one setup show in each of its tests. */
  private keepAll(kept: readonly Test[], columns: readonly (readonly Column[])[]): void {
    const starts = new Int32Array(columns.length + 1);
    columns.forEach((own, h) => {
      starts[h + 1] = starts[h]! + own.length;
    });
    const packs = Array.from({ length: BLOCK }, (): PackedPredictions => ({
      readings: new Readings(starts[columns.length]!, this.predictor.names),
      starts,
    }));
    // A few tests at a time: what lies side by side in the columns is picked up together, which is much quicker
    // than each by itself.
    for (let from = 0; from < kept.length; from += BLOCK) {
      const block = kept.slice(from, from + BLOCK);
      columns.forEach((own, h) =>
        own.forEach((column, k) => block.forEach((_, t) => packs[t]!.readings.take(starts[h]! + k, column, from + t))),
      );
      block.forEach((test, t) => {
        const rows = sharedRows(test, packs[t]!, this.meter);
        // What is kept is rounded, so that it is the same from the store.
        packs[t]!.readings.round();
        const made = new Map<number, Prediction>();
        const predictions = Array.from(rows, (row) => {
          let prediction = made.get(row);
          if (!prediction) made.set(row, (prediction = predictionIn(packs[t]!, row)));
          return prediction;
        });
        this.predictions.set(testKey(test), predictions);
        // What was asked while it was being built is worked out anew.
        this.tables.delete(testKey(test));
      });
    }
  }

  private tableOf(test: Test): OutcomeTable {
    if (this.comesAndGoes && this.base && this.more.length === 0)
      return comingAndGoing(this.machine, this.hypotheses, test, this.base.tableFor(test));
    const table = outcomeTable(test, this.predictionsFor(test), this.meter);
    if (test.instant === "recheck") this.hypotheses.forEach((h, i) => blendRow(this.machine, h, table, i));
    return this.comesAndGoes ? comingAndGoing(this.machine, this.hypotheses, test, table) : table;
  }

  /** What one hypothesis predicts for tests at nominal values, by test key; without keeping anything. */
  nominalFor(tests: readonly Test[], hypothesisId: string): ReadonlyMap<string, Prediction> {
    const hypothesis = this.hypotheses.find((h) => h.id === hypothesisId)!;
    const shown = new Map<string, Prediction>();
    for (const setup of new Set(tests.map((t) => t.setup))) {
      const here = tests.filter((t) => t.setup === setup);
      this.predictor.predict(setup, here, hypothesis, 0, 1).forEach((p, i) => shown.set(testKey(here[i]!), p));
    }
    return shown;
  }

  /** What every hypothesis predicts for a test, whether or not anyone would propose it. */
  predictionsFor(test: Test): readonly Prediction[] {
    const key = testKey(test);
    let predictions = this.predictions.get(key);
    if (!predictions) this.predictions.set(key, (predictions = this.predictionsOf(test, key)));
    return predictions;
  }

  private predictionsOf(test: Test, key: string): readonly Prediction[] {
    const place = this.stored?.places.get(key);
    if (place !== undefined) return this.stored!.content.predictionsOf(place);
    if (!this.base)
      return shared(
        test,
        this.hypotheses.map((h) => this.predictor.predict(test.setup, [test], h)[0]!),
        this.meter,
      );
    const before = this.base.predictionsFor(test);
    if (this.more.length === 0) return before;
    // Those of the base are told apart already.
    const distinct = [...new Set(before)];
    const more = this.more.map((h) => this.keptFor(h, test));
    return [...before, ...shared(test, [...distinct, ...more], this.meter).slice(distinct.length)];
  }

  private keptFor(hypothesis: Hypothesis, test: Test): Prediction {
    const own = this.kept.get(hypothesis.id) ?? new Map<string, Prediction>();
    this.kept.set(hypothesis.id, own);
    const key = testKey(test);
    if (!own.has(key)) {
      const here = [
        ...this.together.filter((t) => t.setup === test.setup && !own.has(testKey(t)) && testKey(t) !== key),
        test,
      ];
      const columns = this.columnsOf(hypothesis, here);
      here.forEach((t, i) => own.set(testKey(t), predictionAt(columns, i)));
    }
    return own.get(key)!;
  }

  /** What a further hypothesis shows in tests of one setup: two faults mostly what one of them shows alone. */
  private columnsOf(hypothesis: Hypothesis, tests: readonly Test[]): readonly Column[] {
    const [{ setup }] = tests as [Test];
    const count = sampleWeights(this.machine, hypothesis).length;
    const [nominal] = this.predictor.columns(setup, tests, hypothesis, 0, 1);
    if (!nominal || hypothesis.kind !== "two faults" || tests.some((t) => t.instant === "recheck"))
      return this.predictor.columns(setup, tests, hypothesis, 0, count);
    const predictions = tests.map((t) => this.base!.predictionsFor(t));
    const known = [0, ...hypothesis.faults.map((f) => this.placeOf(faultId(f)))]
      .filter((h) => h >= 0)
      .map((h) => predictedIn(predictions.map((p) => p[h])));
    return this.furtherSamples(tests, hypothesis, count, nominal, known);
  }

  /** Place of a single fault by its id; -1 where there is none. */
  private placeOf(id: string): number {
    return this.hypotheses.findIndex((h) => h.kind === "fault" && h.id === id);
  }

  /** What every hypothesis predicts once these repairs were made. */
  predictionsAfter(test: Test, repairs: readonly Repair[]): readonly Prediction[] {
    const predictions = this.predictionsFor(test);
    if (repairs.length === 0) return predictions;
    return predictions.map((own, h) => {
      const other = this.standIn(h, repairs);
      if (other === h) return own;
      const shown = predictions[other]!;
      // The further samples of a fault of degree are the first ones again, in all but its degree.
      return shown.length === 0
        ? shown
        : Array.from(
            { length: this.logWeights[h]!.length },
            (_, k) => shown[k] ?? shown[k % Math.min(4, shown.length)] ?? null,
          );
    });
  }

  /** What is left of a hypothesis once these repairs were made: of two faults the other one. */
  left(h: number, repairs: readonly Repair[] = []): Hypothesis {
    return repairs.length === 0 ? this.hypotheses[h]! : this.hypotheses[this.standIn(h, repairs)]!;
  }

  /** The hypothesis that is left of one once these repairs were made. */
  private standIn(h: number, repairs: readonly Repair[]): number {
    const hypothesis = this.hypotheses[h]!;
    const assemblies = assembliesOf(this.machine, hypothesis);
    // Of a single fault whose repair did not help, the repair has failed.
    const replaced = repairs
      .filter((r) => assemblies.includes(r.assembly) && (r.result === "gone" || assemblies.length > 1))
      .map((r) => r.assembly);
    if (replaced.length === 0) return h;
    const left = faultsOf(this.machine, hypothesis, replaced);
    if (left.length === 0) return 0;
    const id = left.map(faultId).join(">");
    const other = this.hypotheses.findIndex((x) => x.id === id);
    return other < 0 ? h : other;
  }

  /** The outcomes of a test and their chances under each hypothesis, once these repairs were made. */
  tableFor(test: Test, repairs: readonly Repair[] = []): OutcomeTable {
    const key = testKey(test);
    let table = this.tables.get(key);
    if (!table) this.tables.set(key, (table = this.tableOf(test)));
    if (repairs.length === 0) return table;
    const n = table.outcomes.length;
    const [chances, entropy] = [table.chances.slice(), table.entropy.slice()];
    this.hypotheses.forEach((_, h) => {
      const other = this.standIn(h, repairs);
      chances.set(table.chances.subarray(other * n, other * n + n), h * n);
      entropy[h] = table.entropy[other]!;
    });
    return { outcomes: table.outcomes, chances, entropy };
  }

  /** Logarithms of how well each sample fits the surroundings that were noted. */
  fitOf(noted: { readonly celsius?: number; readonly volts?: number }): readonly number[] {
    return this.predictor.fitOf(noted);
  }

  /** What one hypothesis predicts for tests of one setup, in their order; nothing is kept. */
  predict(setup: string, tests: readonly Test[], hypothesis: Hypothesis): readonly Prediction[] {
    return this.predictor.predict(setup, tests, hypothesis);
  }

  /** What a sound machine shows in tests of one setup, in their order. */
  soundFor(setup: string, tests: readonly Test[]): readonly Prediction[] {
    return this.predictor.predict(setup, tests, this.hypotheses[0]!);
  }
}
