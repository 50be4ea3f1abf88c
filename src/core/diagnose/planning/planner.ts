import { say } from "#words/core/diagnose/planning";

/**
 * Which test first, when what counts is the whole way to the end: a decision problem without probabilities in it.
 * Suspects with weights lie in assemblies; a test splits suspects by what each would show, and costs what it costs from
 * where the unit stands. One may also try a repair "to see". The way ends when all that is left lies in one assembly.
 *
 * The plan is the policy "most information on the assembly for its cost" (after de Kleer and Williams, 1987), improved by
 * one step of rollout (Bertsekas, Tsitsiklis and Wu, 1997): the best few first moves are each followed by that policy
 * to the end, and the one with the least expected cost is taken. With few suspects left the cheapest way is found
 * exactly (dynamic programming over sets of suspects and standings).
 */
export interface PlanProblem {
  /** Weights of the suspects; at most 30. They need not add to one. */
  readonly weights: readonly number[];
  /** The assembly each suspect lies in, as a number. */
  readonly assemblies: readonly number[];
  /** For each test, what each suspect would show, as a number below 30. */
  readonly labels: readonly Uint8Array[];
  /** What a test costs from a state of the unit, and the state after it; states are numbers. */
  cost(test: number, unitState: number): number;
  /** The minutes in that cost; the rest stands for danger. */
  minutes(test: number, unitState: number): number;
  after(test: number, unitState: number): number;
  /**
   * Repairs that may be tried without knowing: the assembly, what it costs when it was in vain, and the minutes in that.
   */
  readonly attempts: readonly { readonly assembly: number; readonly wasted: number; readonly minutes: number }[];
  /**
   * What it costs to end with assemblies that nothing tells apart: one after the other is repaired; cost of each in vain.
   */
  readonly wasted: readonly number[];
}

interface PlanStep {
  readonly cost: number;
  readonly minutes: number;
  readonly after: number;
}

export type Move =
  { readonly kind: "test"; readonly test: number } | { readonly kind: "attempt"; readonly attempt: number };

/** A first move and what the whole way costs with it. */
export interface PlannedMove {
  readonly move: Move;
  /** Expected cost to the end, this move included. */
  readonly cost: number;
  /** The cost if this suspect is the one, by suspect; and the minutes in it. */
  readonly bySuspect: Float64Array;
  readonly minutes: Float64Array;
}

/** Suspects down to which the cheapest way is worked out exactly. */
export const EXACT_SUSPECTS = 6;
/** More than there are sets of suspects. */
const SETS = 2 ** 30;
/** More than a test has different labels. */
const LABELS = 32;
/** First moves that are followed to the end. */
const ROLLED_OUT = 8;

/** Plans one problem; keeps what it has worked out. */
export class Planner {
  private readonly exactMemo = new Map<number, { readonly cost: number; readonly move: Move | null }>();
  private readonly policyMemo = new Map<number, Move | null>();
  /** By state and test. */
  private readonly steps: (PlanStep | undefined)[][] = [];

  /** `exactBelow`: suspects down to which the search is exact; 0: never. */
  constructor(
    private readonly problem: PlanProblem,
    private readonly exactBelow = EXACT_SUSPECTS,
  ) {
    if (problem.weights.length > 30) throw new RangeError(say.atMost30SuspectsAre);
    this.masses = new Float64Array(LABELS * (2 + Math.max(-1, ...problem.assemblies)));
  }

  private step(test: number, unitState: number): PlanStep {
    const row = (this.steps[unitState] ??= []);
    return (row[test] ??= {
      cost: this.problem.cost(test, unitState),
      minutes: this.problem.minutes(test, unitState),
      after: this.problem.after(test, unitState),
    });
  }

  /**
   * First moves from a state of the unit, the cheapest way first; empty where nothing is left to tell. Those of
   * `firsts`, or the best few by information over cost. Ties keep their order.
   */
  moves(unitState: number, firsts?: readonly Move[]): readonly PlannedMove[] {
    const all = 2 ** this.problem.weights.length - 1;
    const tried =
      firsts ??
      this.ranked(all, unitState)
        .slice(0, ROLLED_OUT)
        .map(({ move }) => move);
    return tried
      .map((move): PlannedMove => {
        const [bySuspect, minutes] = [
          new Float64Array(this.problem.weights.length),
          new Float64Array(this.problem.weights.length),
        ];
        this.follow(all, unitState, move, 0, 0, bySuspect, minutes);
        return { move, bySuspect, minutes, cost: this.mean(bySuspect) };
      })
      .map((m, i) => ({ m, i }))
      .sort((a, b) => a.m.cost - b.m.cost || a.i - b.i)
      .map(({ m }) => m);
  }

  /** The move that the policy alone would make, without rollout. */
  ofPolicy(unitState: number): PlannedMove | undefined {
    const [first] = this.ranked(2 ** this.problem.weights.length - 1, unitState);
    return first ? this.moves(unitState, [first.move])[0] : undefined;
  }

  private mean(bySuspect: Float64Array): number {
    let [sum, total] = [0, 0];
    this.problem.weights.forEach((w, i) => {
      sum += w * bySuspect[i]!;
      total += w;
    });
    return total > 0 ? sum / total : 0;
  }

  /** Makes a move and then follows the policy; adds what it costs to every suspect. */
  private follow(
    subset: number,
    unitState: number,
    move: Move | null,
    spent: number,
    clock: number,
    out: Float64Array,
    minutesOut: Float64Array,
  ): void {
    const { weights } = this.problem;
    if (move === null) {
      const extra = this.unresolved(subset);
      for (let i = 0; i < weights.length; i++)
        if (subset & (1 << i)) {
          out[i] = spent + extra;
          minutesOut[i] = clock;
        }
      return;
    }
    for (const { part, cost, minutes, after } of this.results(subset, unitState, move)) {
      this.follow(
        part,
        after,
        this.isOver(part) ? null : this.best(part, after),
        spent + cost,
        clock + minutes,
        out,
        minutesOut,
      );
    }
  }

  /** What a move leads to: sets of suspects, what it has cost, and how the unit stands then. */
  private results(
    subset: number,
    unitState: number,
    move: Move,
  ): { part: number; cost: number; minutes: number; after: number }[] {
    const { assemblies, weights, attempts } = this.problem;
    if (move.kind === "attempt") {
      const { assembly, wasted, minutes } = attempts[move.attempt]!;
      let [right, wrong] = [0, 0];
      for (let i = 0; i < weights.length; i++)
        if (subset & (1 << i)) {
          if (assemblies[i] === assembly) right |= 1 << i;
          else wrong |= 1 << i;
        }
      return [
        { part: right, cost: 0, minutes: 0, after: unitState },
        { part: wrong, cost: wasted, minutes, after: unitState },
      ].filter((r) => r.part !== 0);
    }
    const { cost, minutes, after } = this.step(move.test, unitState);
    return this.split(subset, this.problem.labels[move.test]!).map((part) => ({ part, cost, minutes, after }));
  }

  private readonly partOf = new Int32Array(LABELS);

  /** The sets into which what is shown splits a set, in the order of their first suspects. */
  private split(subset: number, shown: Uint8Array): number[] {
    const { partOf } = this;
    const order: number[] = [];
    for (let left = subset; left !== 0; left &= left - 1) {
      const bit = left & -left;
      const label = shown[31 - Math.clz32(bit)]!;
      if (partOf[label] === 0) order.push(label);
      partOf[label]! |= bit;
    }
    return order.map((label) => {
      const part = partOf[label]!;
      partOf[label] = 0;
      return part;
    });
  }

  /** Whether a test splits a set at all: most do not split a small one. */
  private splits(subset: number, shown: Uint8Array): boolean {
    const first = shown[31 - Math.clz32(subset & -subset)]!;
    for (let left = subset & (subset - 1); left !== 0; left &= left - 1)
      if (shown[31 - Math.clz32(left & -left)] !== first) return true;
    return false;
  }

  /** Whether all that is left lies in one assembly. */
  private isOver(subset: number): boolean {
    let assembly = -1;
    for (let i = 0; i < this.problem.weights.length; i++) {
      if (!(subset & (1 << i))) continue;
      if (assembly >= 0 && this.problem.assemblies[i] !== assembly) return false;
      assembly = this.problem.assemblies[i]!;
    }
    return true;
  }

  /**
   * Assemblies that nothing tells apart are repaired one after the other, in the order of odds over cost, which no other
   * order beats (Heckerman, Breese and Rommelse, 1995): what is expected to be done in vain.
   */
  private unresolved(subset: number): number {
    const { weights, assemblies, wasted } = this.problem;
    const mass = new Map<number, number>();
    let total = 0;
    weights.forEach((w, i) => {
      if (subset & (1 << i)) {
        mass.set(assemblies[i]!, (mass.get(assemblies[i]!) ?? 0) + w);
        total += w;
      }
    });
    if (mass.size < 2) return 0;
    const order = repairOrder(
      [...mass].map(([assembly, odds]) => ({ piece: assembly, odds: odds / total, cost: wasted[assembly]! })),
    );
    let [cost, left] = [0, 1];
    for (const { odds, cost: own } of order) {
      left -= odds;
      cost += Math.max(0, left) * own;
    }
    return cost;
  }

  /**
   * The next move of the policy: exact with few suspects, else the first by information over cost. Null when nothing
   * splits.
   */
  private best(subset: number, unitState: number): Move | null {
    if (countOf(subset) <= this.exactBelow) return this.exact(subset, unitState).move;
    const key = unitState * SETS + subset;
    let move = this.policyMemo.get(key);
    if (move === undefined) this.policyMemo.set(key, (move = this.ranked(subset, unitState)[0]?.move ?? null));
    return move;
  }

  /** Moves that split a set of suspects, by information on the assembly (and a little on the suspect) for their cost. */
  private ranked(subset: number, unitState: number): { move: Move; score: number }[] {
    const { labels, attempts, weights, assemblies } = this.problem;
    const found: { move: Move; score: number }[] = [];
    for (let t = 0; t < labels.length; t++) {
      const bits = this.information(subset, labels[t]!);
      if (bits > 1e-9)
        found.push({ move: { kind: "test", test: t }, score: bits / Math.max(1e-6, this.step(t, unitState).cost) });
    }
    attempts.forEach(({ assembly, wasted }, a) => {
      const label = Uint8Array.from(weights, (_, i) => Number(assemblies[i] === assembly));
      const bits = this.information(subset, label);
      if (bits <= 1e-9) return;
      let [wrong, total] = [0, 0];
      for (let i = 0; i < weights.length; i++)
        if (subset & (1 << i)) {
          total += weights[i]!;
          if (assemblies[i] !== assembly) wrong += weights[i]!;
        }
      found.push({ move: { kind: "attempt", attempt: a }, score: bits / Math.max(1e-6, (wasted * wrong) / total) });
    });
    return found.sort((a, b) => b.score - a.score);
  }

  /** Rows of labels: one for all suspects, then one for each assembly. */
  private readonly masses: Float64Array;

  /**
   * Mutual information of what is shown and the assembly, with a tenth of the weight on the suspect, bits times the
   * weight of the set.
   */
  private information(subset: number, shown: Uint8Array): number {
    const { weights, assemblies } = this.problem;
    const { masses } = this;
    masses.fill(0);
    let total = 0;
    let most = 0;
    for (let left = subset; left !== 0; left &= left - 1) {
      const i = 31 - Math.clz32(left & -left);
      const w = weights[i]!;
      const label = shown[i]!;
      if (label > most) most = label;
      masses[label]! += w;
      masses[LABELS * (1 + assemblies[i]!) + label]! += w;
      total += w;
    }
    let entropy = xlogx(total);
    for (let label = 0; label <= most; label++) entropy -= xlogx(masses[label]!);
    let given = 0;
    for (let row = LABELS; row < masses.length; row += LABELS) {
      let mass = 0;
      for (let at = row; at <= row + most; at++) {
        mass += masses[at]!;
        given -= xlogx(masses[at]!);
      }
      given += xlogx(mass);
    }
    // What a suspect shows is certain here, so all of the entropy is information on the suspect.
    return 0.9 * (entropy - given) + 0.1 * entropy;
  }

  /**
   * The least expected cost from a set of suspects and a state, times the weight of the set; and the move that
   * begins it.
   */
  exact(subset: number, unitState: number): { readonly cost: number; readonly move: Move | null } {
    const key = unitState * SETS + subset;
    const known = this.exactMemo.get(key);
    if (known) return known;
    let result: { cost: number; move: Move | null } = {
      cost: this.weightOf(subset) * this.unresolved(subset),
      move: null,
    };
    if (!this.isOver(subset)) {
      let found = false;
      const weight = this.weightOf(subset);
      const consider = (move: Move) => {
        // What comes of a test costs at least the test.
        if (found && move.kind === "test" && weight * this.step(move.test, unitState).cost >= result.cost) return;
        const results = this.results(subset, unitState, move);
        // A move that splits nothing only moves the unit about; what it would gain, the next move pays for itself.
        if (results.length < 2) return;
        let cost = 0;
        for (const r of results) {
          cost += this.weightOf(r.part) * r.cost;
          if (found && cost >= result.cost) return;
          cost += this.exact(r.part, r.after).cost;
        }
        if (!found || cost < result.cost - 1e-12) {
          result = { cost, move };
          found = true;
        }
      };
      this.problem.labels.forEach((shown, test) => {
        if (this.splits(subset, shown)) consider({ kind: "test", test });
      });
      for (let a = 0; a < this.problem.attempts.length; a++) consider({ kind: "attempt", attempt: a });
    }
    this.exactMemo.set(key, result);
    return result;
  }

  private weightOf(subset: number): number {
    let sum = 0;
    for (let i = 0; i < this.problem.weights.length; i++) if (subset & (1 << i)) sum += this.problem.weights[i]!;
    return sum;
  }
}

/**
 * Repairs in the order of odds over cost: with one fault and repairs that do not depend on each other this is the
 * cheapest order (Heckerman, Breese and Rommelse, 1995). Ties keep the order given.
 */
export function repairOrder<R extends { readonly odds: number; readonly cost: number }>(
  repairs: readonly R[],
): readonly R[] {
  return repairs
    .map((r, i) => ({ r, i }))
    .sort((a, b) => b.r.odds / Math.max(1e-9, b.r.cost) - a.r.odds / Math.max(1e-9, a.r.cost) || a.i - b.i)
    .map(({ r }) => r);
}

const xlogx = (w: number) => (w > 0 ? w * Math.log2(w) : 0);

function countOf(subset: number): number {
  let n = 0;
  for (let s = subset; s !== 0; s &= s - 1) n++;
  return n;
}
