import { advise, isFound } from "../../src/core/diagnose/advice/advise";
import { costOf, unitStateAfter, type UnitState } from "../../src/core/diagnose/planning/cost";
import type { Reading } from "../../src/core/quantity/read";
import type { Evidence } from "../../src/core/diagnose/evidence/evidence";
import { assemblySuspects } from "../../src/core/diagnose/belief/suspects";
import type { Test } from "../../src/core/simulate/test";
import { makeTest } from "../../src/core/simulate/test";
import type { UnitOnTheBench } from "./unit-on-the-bench";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../src/core/diagnose/belief/beliefs";

/** Minutes to see whether a repair has helped. */
const SEE = 3;

/** How a search went. */
export interface Run {
  readonly assemblies: readonly string[];
  readonly readings: number;
  /** Readings of the search itself, without those that prove a board before it is blamed. */
  readonly searching: number;
  readonly minutes: number;
  /** Repairs tried in vain. */
  readonly inVain: readonly string[];
  readonly tests: readonly Test[];
  /** Everything that was known at the end. */
  readonly evidence: readonly Evidence[];
}

/**
 * The complaint a customer would make of this unit: the first in the file whose signs are all there; null when there
 * is none.
 */
export function complaintMadeOf(unit: UnitOnTheBench, everSeen = false): string | null {
  // At the first visit someone complains of whatever is not right, though it can be seen nowhere.
  return (
    unit.machine.file.complaints.find((c) => isThere(unit, c.id))?.id ??
    (everSeen ? null : (unit.machine.file.complaints.find((c) => Object.keys(c.sees).length === 0)?.id ?? null))
  );
}

/** The same, where there is one. */
export function complaintOf(unit: UnitOnTheBench): string {
  return complaintMadeOf(unit)!;
}

/**
 * Whether what a complaint says can be seen on the unit; one that says nothing of the kind is there as long as
 * anything looks or sounds otherwise than it should.
 */
export function isThere(unit: UnitOnTheBench, complaint: string): boolean {
  const { setup, sees } = unit.machine.file.complaints.find((c) => c.id === complaint)!;
  if (Object.keys(sees).length === 0) return unit.faults.length > 0 && !unit.looksSound();
  return Object.entries(sees).every(([part, label]) => {
    const seen = unit.read(makeTest(setup, "look", part));
    return seen.kind === "label" && seen.label === label;
  });
}

/** What someone reads instead of what is there, at one step; null: reads rightly. */
export type Misreading = (step: number, test: Test, shown: Reading) => Reading | null;

interface How {
  readonly most?: number;
  readonly misread?: Misreading;
  /** What is known before the first step; the complaint alone, unless given. */
  readonly known?: readonly Evidence[];
  readonly unitState?: UnitState;
}

/** Follows an order of tests (the advice, or a fixed list) until the assemblies are settled or the order ends. */
export function search(
  dictionary: FaultDictionary,
  unit: UnitOnTheBench,
  order: "advice" | readonly Test[],
  how: How = {},
): Run {
  const { machine } = dictionary;
  const { most = 60 } = how;
  const complaint = how.known?.find((e) => e.type === "complaint")?.complaint ?? complaintOf(unit);
  const evidence: Evidence[] = [...(how.known ?? [{ type: "complaint" as const, id: "complaint", complaint }])];
  const tests: Test[] = [];
  const inVain: string[] = [];
  let unitState: UnitState = how.unitState ?? {
    setup: machine.file.complaints.find((c) => c.id === complaint)!.setup,
    openPanels: new Set(),
  };
  let minutes = 0;
  let searching = 0;
  const end = (assemblies: readonly string[]): Run => ({
    assemblies,
    readings: tests.length,
    searching: order === "advice" ? searching : tests.length,
    minutes,
    inVain,
    tests,
    evidence,
  });
  for (let step = 0; step < most; step++) {
    let test: Test | undefined;
    if (order === "advice") {
      // The advice also proves a board before it is blamed.
      const advice = advise(dictionary, evidence, unitState);
      if (advice.stop)
        return end(advice.stop.assemblies.length ? advice.stop.assemblies : [advice.suspects[0]!.assembly]);
      if (advice.attempt) {
        const { assembly } = advice.attempt;
        unit.repair(assembly);
        // Not every complaint is of something one can look at; but whoever made it knows when the machine is well.
        const result = unit.faults.length > 0 && isThere(unit, complaint) ? ("stays" as const) : ("gone" as const);
        evidence.push({ type: "tried", id: `tried-${step}`, assembly, result });
        // The repair that helps is made in any case; what counts is the one made in vain.
        if (result === "stays") {
          inVain.push(assembly);
          minutes += advice.attempt.minutes;
        }
        minutes += SEE;
        continue;
      }
      test = advice.next!.test;
      if (advice.next!.proves === null) searching++;
    } else {
      // Whoever follows a fixed list stops when it is certain.
      const top = assemblySuspects(dictionary, believe(dictionary, evidence))[0]!;
      if (isFound(dictionary, top)) return end([top.assembly]);
      test = order[step];
    }
    if (!test) break;
    minutes += costOf(machine, unitState, test).minutes;
    unitState = unitStateAfter(machine, unitState, test);
    tests.push(test);
    const shown = unit.read(test);
    const repairs = evidence.flatMap((e) => (e.type === "tried" ? [{ assembly: e.assembly, result: e.result }] : []));
    evidence.push({
      type: "reading",
      id: `r${evidence.length}`,
      test,
      shown: how.misread?.(step, test, shown) ?? shown,
      ...(repairs.length > 0 ? { repairs } : {}),
    });
  }
  return end(
    advise(dictionary, evidence, unitState)
      .suspects.filter((s) => s.probability >= 0.05)
      .map((s) => s.assembly),
  );
}
