import { DEAD_SHARE, exposureOf } from "../../safety";
import type { Machine } from "../../model";
import { type Test, testKey } from "../../simulate";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { plogp, type OutcomeTable } from "../dictionary/outcomes";
import type { Repair } from "../evidence/evidence";
import { costOf, placeKey, standingAfter, type Cost, type Standing } from "./cost";
import { canMake } from "./means";

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
/** A test that tells less than this, in bits, is not worth making. */
export const LEAST_BITS = 0.006;

/**
 * Room that the rating of a dictionary's tests uses again and again: it runs for every test of the machine at every
 * step.
 */
interface Workspace {
  joint: Float64Array;
  /** By the place a unit stands in: what each test costs from there. */
  readonly steps: Map<string, Map<Test, Step>>;
}
const WORKSPACES = new WeakMap<FaultDictionary, Workspace>();

function workspaceOf(dictionary: FaultDictionary): Workspace {
  let known = WORKSPACES.get(dictionary);
  if (!known) WORKSPACES.set(dictionary, (known = { joint: new Float64Array(0), steps: new Map() }));
  return known;
}

/** Every candidate rated from where the unit stands, best first. Tests already made are left out. */
export function rate(
  dictionary: FaultDictionary,
  probability: Float64Array,
  standing: Standing,
  made: ReadonlySet<string>,
  candidates: readonly Test[] = dictionary.candidates,
): RatedTest[] {
  const rated: RatedTest[] = [];
  const counting = countingOf(dictionary, probability, standing.repairs);
  const steps = stepsFrom(dictionary, standing);
  for (const test of candidates) {
    if (made.has(testKey(test)) || (standing.means && !canMake(dictionary.machine, test, standing.means))) continue;
    const bits = information(
      workspaceOf(dictionary),
      dictionary.tableFor(test, standing.repairs),
      probability,
      counting,
    );
    if (bits >= LEAST_BITS) rated.push(rateOne(dictionary, probability, standing, test, bits, steps));
  }
  return rated.sort((a, b) => b.score - a.score || (testKey(a.test) < testKey(b.test) ? -1 : 1));
}

/**
 * What each test costs from a standing and how the unit stands after it, kept: the same few standings are asked about
 * again and again.
 */
export function stepsFrom(dictionary: FaultDictionary, standing: Standing): (test: Test) => Step {
  const from = `${placeKey(standing)} ${standing.means?.careful ?? false} ${standing.times ? JSON.stringify(standing.times) : ""}`;
  const workspace = workspaceOf(dictionary);
  let known = workspace.steps.get(from);
  if (!known) workspace.steps.set(from, (known = new Map()));
  const steps = known;
  return (test) => {
    let step = steps.get(test);
    if (!step) {
      const after = standingAfter(dictionary.machine, standing, test);
      steps.set(
        test,
        (step = {
          ...costOf(dictionary.machine, standing, test),
          openPanels: after.openPanels,
          place: placeKey(after),
        }),
      );
    }
    return step;
  };
}

/** One test rated from where the unit stands. */
export function rateOne(
  dictionary: FaultDictionary,
  probability: Float64Array,
  standing: Standing,
  test: Test,
  bits = information(
    workspaceOf(dictionary),
    dictionary.tableFor(test, standing.repairs),
    probability,
    countingOf(dictionary, probability, standing.repairs),
  ),
  steps = stepsFrom(dictionary, standing),
): RatedTest {
  const { minutes, risk } = steps(test);
  return { test, bits, minutes, risk, score: bits / (minutes + risk) };
}

/**
 * The test to make next: the best by score, but a dead one wherever it is nearly as good as a live one. Null when
 * none is worth it.
 */
export function choose(machine: Machine, rated: readonly RatedTest[]): RatedTest | null {
  const best = rated[0];
  if (!best) return null;
  const touchesLive = (r: RatedTest) => exposureOf(machine, machine.setupById.get(r.test.setup)!, r.test) === "live";
  if (!touchesLive(best)) return best;
  return rated.find((r) => !touchesLive(r) && r.score >= DEAD_SHARE * best.score) ?? best;
}

/** What carries any weight now, and the pieces it lies in, numbered as they come. */
function countingOf(dictionary: FaultDictionary, probability: Float64Array, repairs: readonly Repair[] = []): Counting {
  const standing = standingHypotheses(probability);
  const numbers = new Map<string, number>();
  const pieceOf = Int32Array.from(standing, (h) => {
    const piece = dictionary.left(h, repairs).piece;
    if (!numbers.has(piece)) numbers.set(piece, numbers.size);
    return numbers.get(piece)!;
  });
  return { standing, pieceOf, pieces: numbers.size };
}

/**
 * Mutual information between the outcome of a test and the piece (and, with a small share, the fault), bits:
 * H(outcome) - sum over h of p(h) H(outcome given h), after de Kleer and Williams (1987).
 */
function information(
  workspace: Workspace,
  table: OutcomeTable,
  probability: Float64Array,
  { standing, pieceOf, pieces }: Counting,
): number {
  const n = table.outcomes.length;
  if (n < 2) return 0;
  // One row a piece and one for all of them, in a work space that is used again: this runs for every test of the
  // machine at every step.
  const room = (pieces + 1) * n;
  if (workspace.joint.length < room) workspace.joint = new Float64Array(room);
  const joint = workspace.joint.fill(0, 0, room);
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

/** Hypotheses that still carry any weight. */
function standingHypotheses(probability: Float64Array): readonly number[] {
  const list: number[] = [];
  for (let h = 0; h < probability.length; h++) if (probability[h]! >= NEGLIGIBLE) list.push(h);
  return list;
}
