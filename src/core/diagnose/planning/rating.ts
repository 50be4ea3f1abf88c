import { DEAD_SHARE, exposureOf } from "../../safety";
import type { Machine } from "../../model";
import { type Test, testKey } from "../../simulate";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { plogp, type OutcomeTable } from "../dictionary/outcomes";
import type { Repair } from "../evidence/evidence";
import { costOf, placeKey, unitStateAfter, type Cost, type UnitState } from "./cost";
import { canMake } from "./equipment";

/** A test rated by what it would tell for what it costs. */
export interface RatedTest {
  readonly test: Test;
  /** Expected information on which assembly it is, bits. */
  readonly bits: number;
  readonly minutes: number;
  readonly risk: number;
  /** Bits per minute, danger counted as minutes. */
  readonly score: number;
}

/** Hypotheses that still carry any weight, for each of them the number of its assembly, and how many assemblies there are. */
interface Counting {
  readonly plausible: readonly number[];
  readonly assemblyOf: Int32Array;
  readonly assemblies: number;
}

/** What it takes to make a test from a state of the unit, and how the unit stands after it. */
export interface Step extends Cost {
  readonly openPanels: ReadonlySet<string>;
  /** `placeKey` of the state after it. */
  readonly place: string;
}

/** The fault itself counts a little beside the assembly, so that a test which only prepares the deciding one is seen. */
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
  unitState: UnitState,
  made: ReadonlySet<string>,
  candidates: readonly Test[] = dictionary.candidates,
): RatedTest[] {
  const rated: RatedTest[] = [];
  const counting = countingOf(dictionary, probability, unitState.repairs);
  const steps = stepsFrom(dictionary, unitState);
  for (const test of candidates) {
    if (made.has(testKey(test)) || (unitState.equipment && !canMake(dictionary.machine, test, unitState.equipment)))
      continue;
    const bits = information(
      workspaceOf(dictionary),
      dictionary.tableFor(test, unitState.repairs),
      probability,
      counting,
    );
    if (bits >= LEAST_BITS) rated.push(rateOne(dictionary, probability, unitState, test, bits, steps));
  }
  return rated.sort((a, b) => b.score - a.score || (testKey(a.test) < testKey(b.test) ? -1 : 1));
}

/**
 * What each test costs from a state of the unit and the state after it, kept: the same few states are asked about
 * again and again.
 */
export function stepsFrom(dictionary: FaultDictionary, unitState: UnitState): (test: Test) => Step {
  const from = `${placeKey(unitState)} ${unitState.equipment?.careful ?? false} ${unitState.times ? JSON.stringify(unitState.times) : ""}`;
  const workspace = workspaceOf(dictionary);
  let known = workspace.steps.get(from);
  if (!known) workspace.steps.set(from, (known = new Map()));
  const steps = known;
  return (test) => {
    let step = steps.get(test);
    if (!step) {
      const after = unitStateAfter(dictionary.machine, unitState, test);
      steps.set(
        test,
        (step = {
          ...costOf(dictionary.machine, unitState, test),
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
  unitState: UnitState,
  test: Test,
  bits = information(
    workspaceOf(dictionary),
    dictionary.tableFor(test, unitState.repairs),
    probability,
    countingOf(dictionary, probability, unitState.repairs),
  ),
  steps = stepsFrom(dictionary, unitState),
): RatedTest {
  const { minutes, risk } = steps(test);
  const own = 1 - (unitState.due?.get(testKey(test)) ?? 0);
  return { test, bits, minutes, risk, score: bits / ((minutes + risk) * own) };
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
  // By its full cost: that a proof will be due makes nothing live less dangerous.
  const worth = (r: RatedTest) => r.bits / (r.minutes + r.risk);
  return rated.find((r) => !touchesLive(r) && worth(r) >= DEAD_SHARE * worth(best)) ?? best;
}

/** What carries any weight now, and the assemblies it lies in, numbered as they come. */
function countingOf(dictionary: FaultDictionary, probability: Float64Array, repairs: readonly Repair[] = []): Counting {
  const plausible = plausibleHypotheses(probability);
  const numbers = new Map<string, number>();
  const assemblyOf = Int32Array.from(plausible, (h) => {
    const assembly = dictionary.left(h, repairs).assembly;
    if (!numbers.has(assembly)) numbers.set(assembly, numbers.size);
    return numbers.get(assembly)!;
  });
  return { plausible, assemblyOf, assemblies: numbers.size };
}

/**
 * Mutual information between the outcome of a test and the assembly (and, with a small share, the fault), bits:
 * H(outcome) - sum over h of p(h) H(outcome given h), after de Kleer and Williams (1987).
 */
function information(
  workspace: Workspace,
  table: OutcomeTable,
  probability: Float64Array,
  { plausible, assemblyOf, assemblies }: Counting,
): number {
  const n = table.outcomes.length;
  if (n < 2) return 0;
  // One row an assembly and one for all of them, in a work space that is used again: this runs for every test of the
  // machine at every step.
  const room = (assemblies + 1) * n;
  if (workspace.joint.length < room) workspace.joint = new Float64Array(room);
  const joint = workspace.joint.fill(0, 0, room);
  const all = assemblies * n;
  let givenFault = 0;
  for (let i = 0; i < plausible.length; i++) {
    const h = plausible[i]!;
    const p = probability[h]!;
    const row = assemblyOf[i]! * n;
    for (let o = 0; o < n; o++) {
      const mass = p * table.chances[h * n + o]!;
      joint[row + o]! += mass;
      joint[all + o]! += mass;
    }
    givenFault += p * table.entropy[h]!;
  }
  let total = 0;
  for (let o = 0; o < n; o++) total -= plogp(joint[all + o]!);
  // H(outcome given assembly) = sum over assemblies of mass log mass - sum of joint log joint.
  let givenAssembly = 0;
  for (let row = 0; row < all; row += n) {
    let mass = 0;
    for (let o = row; o < row + n; o++) {
      mass += joint[o]!;
      givenAssembly -= plogp(joint[o]!);
    }
    givenAssembly += plogp(mass);
  }
  return Math.max(0, (1 - FAULT_SHARE) * (total - givenAssembly) + FAULT_SHARE * (total - givenFault));
}

/** Hypotheses that still carry any weight. */
function plausibleHypotheses(probability: Float64Array): readonly number[] {
  const list: number[] = [];
  for (let h = 0; h < probability.length; h++) if (probability[h]! >= NEGLIGIBLE) list.push(h);
  return list;
}
