import type { Meter } from "../../instrument";
import { faultId, type Machine } from "../../model";
import { type Test, testKey } from "../../simulate";
import type { Repair } from "../evidence/evidence";
import { Stopwatch } from "../evidence/timed-observation";
import { faultsOf, hypothesesOf, assembliesOf, type Hypothesis } from "../hypotheses/hypothesis";
import type { Prediction } from "../reading/prediction";
import { candidateTests, tellingTests } from "./candidates";
import { blendRow, comingAndGoing } from "./intermittent";
import { outcomeTable, type OutcomeTable } from "./outcomes";
import { predictionAt, Predictor, sampleWeights, type Column } from "./predictor";
import { shared } from "./shared-predictions";

/** Tests whose predictions are picked up together. */
const BLOCK = 16;

/**
 * What every fault of a machine would show in every permitted test: one a machine, meter and thread. It knows no
 * evidence; what evidence makes of it is `belief`, what a test is worth is `planning`. Everything follows from the
 * machine file; ties break by the tests' names.
 */
export class FaultDictionary {
  readonly hypotheses: readonly Hypothesis[];
  /** Every permitted test worth thinking of. */
  readonly permitted: readonly Test[];
  private useful: readonly Test[] = [];
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
  ) {
    this.predictor = base?.predictor ?? new Predictor(machine, meter);
    const outside = more.reduce((sum, h) => sum + h.prior, 0);
    const always = base?.hypotheses ?? hypothesesOf(machine);
    this.hypotheses = [...always.map((h) => ({ ...h, prior: h.prior * (1 - outside) })), ...more];
    this.logWeights = this.hypotheses.map(
      (h, i) => base?.logWeights[i] ?? Float64Array.from(sampleWeights(machine, h), Math.log),
    );
    this.permitted = base?.permitted ?? candidateTests(machine);
    this.assemblies = [...new Set(this.hypotheses.map((h) => h.assembly))];
    this.kept = base?.kept ?? new Map();
    this.stopwatch = base?.stopwatch ?? new Stopwatch(machine);
  }

  static of(machine: Machine, meter: Meter): FaultDictionary {
    return new FaultDictionary(machine, meter, null, [], []);
  }

  /**
   * This dictionary with further hypotheses beside its own; what they predict is worked out when it is asked for, and
   * kept. `together` are the tests that will be asked for: what costs is bringing the machine into a setup, so those of
   * one setup are read at once.
   */
  widened(more: readonly Hypothesis[], together: readonly Test[] = this.candidates): FaultDictionary {
    return new FaultDictionary(this.machine, this.meter, this, more, together, this.comesAndGoes);
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
    const nominal = setups.map((setup) => ({
      setup,
      tests: this.permitted.filter((t) => t.setup === setup.id),
      columns: [] as Column[][],
    }));
    const shown = new Map<string, Column>();
    for (const { setup, tests, columns } of nominal) {
      for (let h = 0; h < n; h++, done++) {
        columns.push(this.predictor.columns(setup.id, tests, this.hypotheses[h]!, 0, 1));
        if (h % 16 === 15) yield done / total;
      }
      tests.forEach((test, t) =>
        shown.set(
          testKey(test),
          columns.map(([first]) => first?.[t]),
        ),
      );
    }
    this.useful = tellingTests(this.machine, this.permitted, shown);
    shown.clear();
    const isUseful = new Set(this.useful);

    for (const { setup, tests, columns } of nominal) {
      const useful = tests.filter((t) => isUseful.has(t));
      const places = tests.flatMap((t, place) => (isUseful.has(t) ? [place] : []));
      for (let h = 0; h < n; h++) {
        const own = columns[h]!;
        // Of the nominal one only what is still asked; the others beside it.
        if (own.length > 0)
          columns[h] = [
            places.map((place) => own[0]![place]),
            ...this.predictor.columns(setup.id, useful, this.hypotheses[h]!, 1),
          ];
        done += this.logWeights[h]!.length - 1;
        if (h % 4 === 3) yield done / total;
      }
      // A few tests at a time: what lies side by side in the columns is picked up together, which is much quicker
      // than each by itself.
      for (let first = 0; first < useful.length; first += BLOCK) {
        const block = useful.slice(first, first + BLOCK);
        const rows = block.map(() => new Array<Prediction>(n));
        for (let h = 0; h < n; h++)
          for (let t = 0; t < block.length; t++) rows[t]![h] = predictionAt(columns[h]!, first + t);
        block.forEach((test, t) => this.keep(test, rows[t]!));
      }
      // What is kept is kept by test; the columns are millions of readings.
      columns.length = 0;
    }
    yield 1;
  }

  private keep(test: Test, each: readonly Prediction[]): void {
    const predictions = shared(test, each, this.meter);
    this.predictions.set(testKey(test), predictions);
    if (this.comesAndGoes && this.base && this.more.length === 0) {
      const lasting = this.base.tableFor(test);
      this.tables.set(testKey(test), comingAndGoing(this.machine, this.hypotheses, test, lasting));
      return;
    }
    const table = outcomeTable(test, predictions, this.meter);
    if (test.instant === "recheck") this.hypotheses.forEach((h, i) => blendRow(this.machine, h, table, i));
    this.tables.set(
      testKey(test),
      this.comesAndGoes ? comingAndGoing(this.machine, this.hypotheses, test, table) : table,
    );
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
    if (!this.predictions.has(key))
      this.keep(
        test,
        this.base
          ? [...this.base.predictionsFor(test), ...this.more.map((h) => this.keptFor(h, test))]
          : this.hypotheses.map((h) => this.predictor.predict(test.setup, [test], h)[0]!),
      );
    return this.predictions.get(key)!;
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
      this.predictor.predict(test.setup, here, hypothesis).forEach((p, i) => own.set(testKey(here[i]!), p));
    }
    return own.get(key)!;
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
    if (!this.tables.has(key)) this.predictionsFor(test);
    const table = this.tables.get(key)!;
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
