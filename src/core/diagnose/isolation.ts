import type { Meter } from "../instrument/meter";
import { exposureOf } from "../safety/exposure";
import { DEAD_SHARE } from "../safety/rules";
import type { Machine } from "../model/machine";
import { faultId } from "../model/fault";
import type { SetupEntry } from "../model/schema";
import { testKey, type Test } from "../simulate/test";
import { candidateTests, tellingTests } from "./dictionary/candidates";
import { costOf, placeKey, standingAfter, type Cost, type Standing } from "./planning/cost";
import { blendAway, blendRow } from "./dictionary/intermittent";
import { canMake } from "./planning/means";
import { observationsOf, surroundingsOf, type Evidence, type Repair } from "./evidence/evidence";
import { blamedPieces, faultsOf, hypothesesOf, piecesOf, type Hypothesis } from "./hypotheses/hypothesis";
import { saidOf } from "./evidence/without-a-meter";
import { shared } from "./dictionary/shared-predictions";
import { Stopwatch } from "./evidence/timed-observation";
import { signChance, signsOf, type SignAsked } from "./evidence/signs";
import { SpecimenTrail } from "./reading/likelihood";
import { outcomeTable, plogp, type OutcomeTable } from "./dictionary/outcomes";
import { predictionAt, Predictor, specimenWeights, type Column, type Prediction } from "./dictionary/prediction";

/** What each hypothesis is worth after the evidence, and how each observation moved it. */
export interface Beliefs {
  /** Probability of each hypothesis, in the order of `Isolation.hypotheses`. */
  readonly probability: Float64Array;
  /** For each piece of evidence, the logarithm of its likelihood under each hypothesis. */
  readonly byEvidence: ReadonlyMap<string, Float64Array>;
}

/** A test rated by what it would tell for what it costs. */
export interface RatedTest {
  readonly test: Test;
  /** Expected information on which piece it is, bits. */
  readonly bits: number;
  readonly minutes: number;
  readonly risk: number;
  /** Bits per minute, danger counted as minutes. */
  readonly score: number;
}

/** Hypotheses that still carry any weight, for each of them the number of its piece, and how many pieces there are. */
interface Counting {
  readonly standing: readonly number[];
  readonly pieceOf: Int32Array;
  readonly pieces: number;
}

/** What it takes to make a test from a standing, and how the unit stands after it. */
export interface Step extends Cost {
  readonly openPanels: ReadonlySet<string>;
  /** `placeKey` of the standing after it. */
  readonly place: string;
}

/** The fault itself counts a little beside the piece, so that a test which only prepares the deciding one is seen. */
const FAULT_SHARE = 0.1;
/** Below this a hypothesis no longer weighs in what a test may tell. */
const NEGLIGIBLE = 1e-6;
/** Tests whose predictions are picked up together. */
const BLOCK = 16;
/** A test that tells less than this, in bits, is not worth making. */
export const LEAST_BITS = 0.006;

/**
 * The fault dictionary of a machine and the reasoning on it: one a machine, meter and thread. Everything it says
 * follows from the machine file, the evidence and the way the unit stands; ties break by the tests' names.
 */
export class Isolation {
  readonly hypotheses: readonly Hypothesis[];
  /** Every permitted test worth thinking of. */
  readonly permitted: readonly Test[];
  private useful: readonly Test[] = [];
  /** Distinct pieces, and for each hypothesis the number of its piece. */
  readonly pieces: readonly string[];
  private readonly pieceOf: Int32Array;
  private readonly predictor: Predictor;
  private readonly predictions = new Map<string, readonly Prediction[]>();
  private readonly tables = new Map<string, OutcomeTable>();
  readonly stopwatch: Stopwatch;
  private joint = new Float64Array(0);
  private readonly steps = new Map<string, Map<Test, Step>>();
  /** What hypotheses that are weighed now and then predict, by hypothesis and test; shared with every widened dictionary. */
  private readonly kept: Map<string, Map<string, Prediction>>;

  /** For each hypothesis the logarithms of its specimens' weights. */
  private readonly logWeights: readonly Float64Array[];

  /** `base` and `more`: a dictionary that is there, widened by further hypotheses; see `widened`. */
  private constructor(
    readonly machine: Machine,
    readonly meter: Meter,
    private readonly base: Isolation | null,
    private readonly more: readonly Hypothesis[],
    private readonly together: readonly Test[],
  ) {
    this.predictor = base?.predictor ?? new Predictor(machine, meter);
    const outside = more.reduce((sum, h) => sum + h.prior, 0);
    const always = base?.hypotheses ?? hypothesesOf(machine);
    this.hypotheses = [...always.map((h) => ({ ...h, prior: h.prior * (1 - outside) })), ...more];
    this.logWeights = this.hypotheses.map(
      (h, i) => base?.logWeights[i] ?? Float64Array.from(specimenWeights(machine, h), Math.log),
    );
    this.permitted = base?.permitted ?? candidateTests(machine);
    this.pieces = [...new Set(this.hypotheses.map((h) => h.piece))];
    this.pieceOf = Int32Array.from(this.hypotheses, (h) => this.pieces.indexOf(h.piece));
    this.kept = base?.kept ?? new Map();
    this.stopwatch = base?.stopwatch ?? new Stopwatch(machine);
  }

  static of(machine: Machine, meter: Meter): Isolation {
    return new Isolation(machine, meter, null, [], []);
  }

  /**
   * This dictionary with further hypotheses beside its own; what they predict is worked out when it is asked for, and kept. `together` are
   * the tests that will be asked for: what costs is bringing the machine into a setup, so those of one setup are read at once.
   */
  widened(more: readonly Hypothesis[], together: readonly Test[] = this.candidates): Isolation {
    return new Isolation(this.machine, this.meter, this, more, together);
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
   * specimens for the others only.
   */
  *buildSteps(): Generator<number, void> {
    const { setups } = this.machine.file;
    const n = this.hypotheses.length;
    const total = setups.length * this.logWeights.reduce((sum, w) => sum + w.length, 0);
    let done = 0;
    // By setup and hypothesis: the nominal specimen first.
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
      // A few tests at a time: what lies side by side in the columns is picked up together, which is much quicker than each by itself.
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
    const table = outcomeTable(test, predictions, this.meter);
    if (test.instant === "recheck") this.hypotheses.forEach((h, i) => blendRow(this.machine, h, table, i));
    this.tables.set(testKey(test), table);
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
      // The further specimens of a fault of degree are the first ones again, in all but its degree.
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
    const pieces = piecesOf(this.machine, hypothesis);
    // Of a single fault whose repair did not help, the repair has failed.
    const replaced = repairs
      .filter((r) => pieces.includes(r.piece) && (r.result === "gone" || pieces.length > 1))
      .map((r) => r.piece);
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

  /** Bayes' rule over all the evidence at once, along each specimen and then averaged; the order of evidence does not matter. */
  beliefs(evidence: readonly Evidence[]): Beliefs {
    const n = this.hypotheses.length;
    // Along each specimen of each hypothesis, beginning with its weight.
    const surroundings = surroundingsOf(evidence);
    const known = this.predictor.fitOf(surroundings);
    const along = this.logWeights.map((w) => Float64Array.from(w, (l, k) => l + known[k]!));
    const weights = Object.keys(surroundings).length > 0 ? known.map(Math.exp) : undefined;
    const each = this.logWeights.map((w) => new Float64Array(w.length));
    const trails = this.logWeights.map((w) => new SpecimenTrail(w.length, this.meter, weights));
    const byEvidence = new Map<string, Float64Array>();
    for (const o of observationsOf(this.machine, this.meter, evidence)) {
      const predictions = this.predictionsAfter(o.test, o.repairs);
      const moved = byEvidence.get(o.evidence) ?? new Float64Array(n);
      for (let h = 0; h < n; h++) {
        trails[h]!.next(o.test, o.shown, predictions[h]!, o.slip, each[h]!, o.isLast);
        if (o.test.instant === "recheck" && o.shown.kind === "label")
          blendAway(this.machine, this.hypotheses[h]!, o.shown.label, o.slip, each[h]!);
        let mean = 0;
        each[h]!.forEach((l, s) => {
          along[h]![s]! += o.weight * Math.log(Math.max(1e-300, l));
          mean += l * Math.exp(this.logWeights[h]![s]!);
        });
        moved[h]! += o.weight * Math.log(Math.max(1e-300, mean));
      }
      byEvidence.set(o.evidence, moved);
    }
    const answers = this.answerLogs(evidence, byEvidence);
    const log = Float64Array.from(this.hypotheses, (h, i) => Math.log(h.prior) + answers[i]! + logSum(along[i]!));
    const most = log.reduce((a, b) => Math.max(a, b), -Infinity);
    const probability = log.map((l) => Math.exp(l - most));
    const sum = probability.reduce((a, b) => a + b, 0);
    return { probability: probability.map((p) => p / sum), byEvidence };
  }

  /** What answers, signs and repairs tried say of each hypothesis, as logarithms; the last answer to a question stands. */
  private answerLogs(evidence: readonly Evidence[], byEvidence: Map<string, Float64Array>): Float64Array {
    const sum = new Float64Array(this.hypotheses.length);
    for (const { id, likelihood } of saidOf(this.machine, this.stopwatch, evidence)) {
      const own = Float64Array.from(this.hypotheses, (h) => Math.log(likelihood(h)));
      own.forEach((l, h) => {
        sum[h]! += l;
      });
      byEvidence.set(id, own);
    }
    return sum;
  }

  /** What one hypothesis predicts for tests of one setup, in their order; nothing is kept. */
  predict(setup: string, tests: readonly Test[], hypothesis: Hypothesis): readonly Prediction[] {
    return this.predictor.predict(setup, tests, hypothesis);
  }

  /** What a sound machine shows in tests of one setup, in their order. */
  soundFor(setup: string, tests: readonly Test[]): readonly Prediction[] {
    return this.predictor.predict(setup, tests, this.hypotheses[0]!);
  }

  /** Probability that each piece is at fault now, alone or with another. */
  involvement(probability: Float64Array, repairs: readonly Repair[] = []): ReadonlyMap<string, number> {
    const sums = new Map<string, number>();
    this.hypotheses.forEach((_, i) => {
      for (const piece of new Set(blamedPieces(this.left(i, repairs))))
        sums.set(piece, (sums.get(piece) ?? 0) + probability[i]!);
    });
    return sums;
  }

  /** Every candidate rated from where the unit stands, best first. Tests already made are left out. */
  rate(
    probability: Float64Array,
    standing: Standing,
    made: ReadonlySet<string>,
    candidates: readonly Test[] = this.candidates,
  ): RatedTest[] {
    const rated: RatedTest[] = [];
    const counting = this.counting(probability, standing.repairs);
    const steps = this.stepsFrom(standing);
    for (const test of candidates) {
      if (made.has(testKey(test)) || (standing.means && !canMake(this.machine, test, standing.means))) continue;
      const bits = this.information(this.tableFor(test, standing.repairs), probability, counting);
      if (bits >= LEAST_BITS) rated.push(this.rateOne(probability, standing, test, bits, steps));
    }
    return rated.sort((a, b) => b.score - a.score || (testKey(a.test) < testKey(b.test) ? -1 : 1));
  }

  /** What each test costs from a standing and how the unit stands after it, kept: the same few standings are asked about again and again. */
  stepsFrom(standing: Standing): (test: Test) => Step {
    const from = `${placeKey(standing)} ${standing.means?.careful ?? false} ${standing.times ? JSON.stringify(standing.times) : ""}`;
    let known = this.steps.get(from);
    if (!known) this.steps.set(from, (known = new Map()));
    const steps = known;
    return (test) => {
      let step = steps.get(test);
      if (!step) {
        const after = standingAfter(this.machine, standing, test);
        steps.set(
          test,
          (step = { ...costOf(this.machine, standing, test), openPanels: after.openPanels, place: placeKey(after) }),
        );
      }
      return step;
    };
  }

  /** One test rated from where the unit stands. */
  rateOne(
    probability: Float64Array,
    standing: Standing,
    test: Test,
    bits = this.information(
      this.tableFor(test, standing.repairs),
      probability,
      this.counting(probability, standing.repairs),
    ),
    steps = this.stepsFrom(standing),
  ): RatedTest {
    const { minutes, risk } = steps(test);
    return { test, bits, minutes, risk, score: bits / (minutes + risk) };
  }

  /** The test to make next: the best by score, but a dead one wherever it is nearly as good as a live one. Null when none is worth it. */
  choose(rated: readonly RatedTest[]): RatedTest | null {
    const best = rated[0];
    if (!best) return null;
    const touchesLive = (r: RatedTest) => exposureOf(this.machine, this.setup(r.test), r.test) === "live";
    if (!touchesLive(best)) return best;
    return rated.find((r) => !touchesLive(r) && r.score >= DEAD_SHARE * best.score) ?? best;
  }

  /** What carries any weight now, and the pieces it lies in, numbered as they come. */
  private counting(probability: Float64Array, repairs: readonly Repair[] = []): Counting {
    const standing = this.standing(probability);
    const numbers = new Map<string, number>();
    const pieceOf = Int32Array.from(standing, (h) => {
      const piece = this.left(h, repairs).piece;
      if (!numbers.has(piece)) numbers.set(piece, numbers.size);
      return numbers.get(piece)!;
    });
    return { standing, pieceOf, pieces: numbers.size };
  }

  private setup(test: Test): SetupEntry {
    return this.machine.setupById.get(test.setup)!;
  }

  /**
   * Mutual information between the outcome of a test and the piece (and, with a small share, the fault), bits:
   * H(outcome) - sum over h of p(h) H(outcome given h), after de Kleer and Williams (1987).
   */
  private information(table: OutcomeTable, probability: Float64Array, { standing, pieceOf, pieces }: Counting): number {
    const n = table.outcomes.length;
    if (n < 2) return 0;
    // One row a piece and one for all of them, in a work space that is used again: this runs for every test of the machine at every step.
    const room = (pieces + 1) * n;
    if (this.joint.length < room) this.joint = new Float64Array(room);
    const joint = this.joint.fill(0, 0, room);
    const all = pieces * n;
    let givenFault = 0;
    for (let i = 0; i < standing.length; i++) {
      const h = standing[i]!;
      const p = probability[h]!;
      const row = pieceOf[i]! * n;
      for (let o = 0; o < n; o++) {
        const mass = p * table.chances[h * n + o]!;
        joint[row + o]! += mass;
        joint[all + o]! += mass;
      }
      givenFault += p * table.entropy[h]!;
    }
    let total = 0;
    for (let o = 0; o < n; o++) total -= plogp(joint[all + o]!);
    // H(outcome given piece) = sum over pieces of mass log mass - sum of joint log joint.
    let givenPiece = 0;
    for (let row = 0; row < all; row += n) {
      let mass = 0;
      for (let o = row; o < row + n; o++) {
        mass += joint[o]!;
        givenPiece -= plogp(joint[o]!);
      }
      givenPiece += plogp(mass);
    }
    return Math.max(0, (1 - FAULT_SHARE) * (total - givenPiece) + FAULT_SHARE * (total - givenFault));
  }

  /** The signs worth looking for, those that tell most of the piece first, with the bits that each would tell. */
  signsWorthIt(
    probability: Float64Array,
    found: ReadonlySet<string>,
  ): readonly (SignAsked & { readonly bits: number })[] {
    return signsOf(this.machine)
      .filter((s) => !found.has(`${s.part} ${s.sign}`))
      .map((s) => {
        const there = new Map<string, [number, number]>();
        let marginal = 0;
        this.hypotheses.forEach((h, i) => {
          const chance = signChance(this.machine, s.part, s.sign, h)!;
          const [yes, mass] = there.get(h.piece) ?? [0, 0];
          there.set(h.piece, [yes + probability[i]! * chance, mass + probability[i]!]);
          marginal += probability[i]! * chance;
        });
        const entropy = (p: number) => -plogp(p) - plogp(1 - p);
        const given = [...there.values()].reduce(
          (sum, [yes, mass]) => sum + (mass > 0 ? mass * entropy(yes / mass) : 0),
          0,
        );
        return { ...s, bits: Math.max(0, entropy(marginal) - given) };
      })
      .sort((a, b) => b.bits - a.bits || (`${a.part} ${a.sign}` < `${b.part} ${b.sign}` ? -1 : 1));
  }

  /** Hypotheses that still carry any weight. */
  private standing(probability: Float64Array): readonly number[] {
    const list: number[] = [];
    for (let h = 0; h < probability.length; h++) if (probability[h]! >= NEGLIGIBLE) list.push(h);
    return list;
  }
}

/** Logarithm of the sum of exponentials. */
function logSum(logs: Float64Array): number {
  const most = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  return most + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - most), 0));
}
