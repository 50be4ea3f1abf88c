import { has, type Machine, type AssemblyEntry } from "../../model";
import { type Test, testKey } from "../../simulate";
import { placeKey, type UnitState } from "./cost";
import { Planner, type Move, type PlannedMove, type PlanProblem } from "./planner";
import { WEARS_OFF } from "../evidence/signs";
import type { Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { type RatedTest, type Step, stepsFrom } from "./rating";

/**
 * The whole way from here to the call: the next tests seen to their end, repairs that may be tried beside them, and
 * what it comes to in minutes and money. Built on `plan`, in which every suspect shows what it shows most likely.
 */

/** Minutes that one unit of the shop's money stands for: an hour of work at 60; estimate E21. */
export const MINUTES_A_COIN = 1;
/** To see whether a repair helped: close up, power on, watch; minutes, estimate E22. */
const SEE = 3;
/** A repair after which the complaint only seemed gone costs a second visit, minutes; estimate E23. */
const COME_BACK = 60;
/** Suspects, tests and repairs that are planned with. */
const MOST_SUSPECTS = 26;
const MOST_TESTS = 110;
const FIRST_MOVES = 8;
/** An assembly less likely than this is not repaired to see; estimate E24. */
const LEAST_TO_TRY = 0.25;
/** Suspects below this share are left out of the plan. */
const LEAST_WEIGHT = 5e-4;

/** A next step with what the whole way is expected to cost: minutes, danger counted, spares counted. */
export interface RolloutMove {
  readonly test: RatedTest | null;
  /** The assembly that is repaired to see; null for a test. */
  readonly attempt: string | null;
  readonly cost: number;
  /** What it costs more than the best way. */
  readonly more: number;
}

/** A figure with its spread: in nine of ten cases between `low` and `high`. */
export interface Spread {
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

/** Moves in order of the expected cost of the whole way, and what is still to come. */
export interface Rollout {
  readonly moves: readonly RolloutMove[];
  /** Minutes to the call and through the repair. */
  readonly minutes: Spread;
  /** Spare parts, in the shop's money. */
  readonly money: Spread;
}

/**
 * Whether an assembly may be repaired just to see whether it helps. Never a board (it is proven first), never what protects
 * (it is not reset or renewed before its cause is found), never what belongs to a licensed trade, and nothing that is a
 * source of energy.
 */
export function mayTry(machine: Machine, assembly: AssemblyEntry): boolean {
  if (assembly.board || assembly.on !== undefined || assembly.licensed) return false;
  return machine.parts.every(
    (p) =>
      p.assembly !== assembly.id ||
      (!has(p, "licensed", "protects") && !p.kind.electrical.source?.(p.fields) && !p.modes.some((m) => m.protective)),
  );
}

/** What it costs to repair an assembly in vain: minutes, and minutes with its spare and the come-backs counted. */
export function inVain(assembly: AssemblyEntry): { readonly minutes: number; readonly cost: number } {
  const minutes = assembly.minutes + SEE;
  return { minutes, cost: minutes + assembly.price * MINUTES_A_COIN + WEARS_OFF * COME_BACK };
}

/**
 * Plans from here; null where no test is left that tells anything. `rated` are the tests by information over cost, best
 * first. `canSee`: the complaint is of something one can look at, so that one sees whether a repair has helped; without
 * that none is tried.
 */
export function planRollout(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  rated: readonly RatedTest[],
  canSee: boolean,
): Rollout | null {
  if (rated.length === 0) return null;
  const { machine } = dictionary;
  const tests = rated.slice(0, MOST_TESTS);
  const suspects = suspectsFor(dictionary, beliefs, unitState, tests);
  if (suspects.length < 2) return null;
  const assemblies = [...new Set(suspects.map((s) => s.assembly))];
  const entryOf = (assembly: string) => machine.assemblyById.get(assembly.split("+")[0]!);
  const wasted = assemblies.map((p) => {
    const entry = entryOf(p);
    return entry ? inVain(entry).cost : SEE;
  });
  const unitStates = new UnitStates(
    dictionary,
    unitState,
    tests.map((t) => t.test),
  );
  const total = suspects.reduce((sum, s) => sum + s.weight, 0);
  const attempts = assemblies.flatMap((assembly, i) => {
    const entry = machine.assemblyById.get(assembly);
    const odds = suspects.reduce((sum, s) => sum + (s.assembly === assembly ? s.weight : 0), 0) / total;
    if (
      !canSee ||
      !entry ||
      odds < LEAST_TO_TRY ||
      !mayTry(machine, entry) ||
      unitState.repairs?.some((r) => r.assembly === assembly)
    )
      return [];
    const vain = inVain(entry);
    return [{ assembly: i, wasted: vain.cost, minutes: vain.minutes }];
  });
  const problem: PlanProblem = {
    weights: suspects.map((s) => s.weight),
    assemblies: suspects.map((s) => assemblies.indexOf(s.assembly)),
    labels: tests.map((_, t) => Uint8Array.from(suspects, (s) => s.labels[t]!)),
    cost: (t, s) => unitStates.step(t, s).cost,
    minutes: (t, s) => unitStates.step(t, s).minutes,
    after: (t, s) => unitStates.step(t, s).after,
    attempts,
    wasted,
  };
  const firsts: Move[] = [
    ...tests.slice(0, FIRST_MOVES).map((_, test): Move => ({ kind: "test", test })),
    ...attempts.map((_, attempt): Move => ({ kind: "attempt", attempt })),
  ];
  const planned = new Planner(problem).moves(0, firsts);
  const best = planned[0]!;
  const moves = planned.map((m): RolloutMove => ({
    test: m.move.kind === "test" ? tests[m.move.test]! : null,
    attempt: m.move.kind === "attempt" ? assemblies[attempts[m.move.attempt]!.assembly]! : null,
    cost: m.cost,
    more: m.cost - best.cost,
  }));
  return { moves, ...toCome(machine, suspects, best) };
}

/** Minutes and money from here to the end, repair counted, over the suspects. */
function toCome(machine: Machine, suspects: readonly Suspect[], best: PlannedMove): { minutes: Spread; money: Spread } {
  const end = (assembly: string) => assembly.split("+").flatMap((p) => machine.assemblyById.get(p) ?? []);
  return {
    minutes: spreadOf(
      suspects.map((s, i) => ({
        weight: s.weight,
        value: best.minutes[i]! + end(s.assembly).reduce((sum, p) => sum + p.minutes, 0),
      })),
    ),
    money: spreadOf(
      suspects.map((s) => ({ weight: s.weight, value: end(s.assembly).reduce((sum, p) => sum + p.price, 0) })),
    ),
  };
}

/** Mean, and the values below which a twentieth and nineteen twentieths of the weight lie. */
export function spreadOf(values: readonly { readonly weight: number; readonly value: number }[]): Spread {
  const sorted = [...values].sort((a, b) => a.value - b.value);
  const total = sorted.reduce((sum, v) => sum + v.weight, 0);
  const at = (share: number) => {
    let sum = 0;
    for (const v of sorted) {
      sum += v.weight;
      if (sum >= share * total) return v.value;
    }
    return sorted[sorted.length - 1]?.value ?? 0;
  };
  return {
    mean: total > 0 ? sorted.reduce((sum, v) => sum + v.weight * v.value, 0) / total : 0,
    low: at(0.05),
    high: at(0.95),
  };
}

interface Suspect {
  readonly assembly: string;
  readonly weight: number;
  /** What it most likely shows in each test. */
  readonly labels: Uint8Array;
}

/** The hypotheses that still count, those put together that lie in one assembly and show the same. */
function suspectsFor(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  tests: readonly RatedTest[],
): readonly Suspect[] {
  const plausibleFaults = dictionary.hypotheses
    .map((_, index) => ({ h: dictionary.left(index, unitState.repairs), index, p: beliefs.probability[index]! }))
    .filter(({ h, p }) => h.kind !== "something else" && p > LEAST_WEIGHT);
  const tables = tests.map((t) => dictionary.tableFor(t.test, unitState.repairs));
  const merged = new Map<string, { assembly: string; weight: number; labels: Uint8Array }>();
  for (const { h, index, p } of plausibleFaults) {
    const labels = Uint8Array.from(tables, ({ outcomes, chances }) => {
      const n = outcomes.length;
      let most = 0;
      for (let o = 1; o < n; o++) if (chances[index * n + o]! > chances[index * n + most]!) most = o;
      return Math.min(29, most);
    });
    const key = `${h.assembly} ${labels.join()}`;
    const known = merged.get(key);
    if (known) known.weight += p;
    else merged.set(key, { assembly: h.assembly, weight: p, labels });
  }
  return [...merged.values()].sort((a, b) => b.weight - a.weight).slice(0, MOST_SUSPECTS);
}

/** The ways in which the unit may stand on the way, by number; 0 is how it stands now. */
class UnitStates {
  private readonly known: { readonly unitState: UnitState; readonly steps: (test: Test) => Step }[] = [];
  private readonly numbers = new Map<string, number>();
  /** By state and test. */
  private readonly steps: (
    { readonly cost: number; readonly minutes: number; readonly after: number } | undefined
  )[][] = [];

  constructor(
    private readonly dictionary: FaultDictionary,
    now: UnitState,
    private readonly tests: readonly Test[],
  ) {
    this.numberOf(placeKey(now), () => now);
  }

  step(test: number, unitState: number): { readonly cost: number; readonly minutes: number; readonly after: number } {
    const row = this.steps[unitState]!;
    let step = row[test];
    if (!step) {
      const from = this.known[unitState]!;
      const { minutes, risk, openPanels, place } = from.steps(this.tests[test]!);
      step = row[test] = {
        cost: (minutes + risk) * (1 - (from.unitState.due?.get(testKey(this.tests[test]!)) ?? 0)),
        minutes,
        after: this.numberOf(place, () => ({ ...from.unitState, setup: this.tests[test]!.setup, openPanels })),
      };
    }
    return step;
  }

  private numberOf(place: string, unitState: () => UnitState): number {
    const at = this.numbers.get(place);
    if (at !== undefined) return at;
    const made = unitState();
    this.numbers.set(place, this.known.length);
    this.steps.push([]);
    return this.known.push({ unitState: made, steps: stepsFrom(this.dictionary, made) }) - 1;
  }
}
