import { advise, isFound } from "../../src/core/isolate/advise";
import { costOf, standingAfter, type Standing } from "../../src/core/isolate/cost";
import type { Evidence } from "../../src/core/isolate/evidence";
import type { Isolation } from "../../src/core/isolate/isolation";
import { pieceSuspects } from "../../src/core/isolate/suspects";
import type { Test } from "../../src/core/simulate/test";
import { makeTest } from "../../src/core/simulate/test";
import type { UnitOnTheBench } from "./unit-on-the-bench";

/** How a search went. */
export interface Run {
  readonly pieces: readonly string[];
  readonly readings: number;
  /** Readings of the search itself, without those that prove a board before it is blamed. */
  readonly searching: number;
  readonly minutes: number;
  readonly tests: readonly Test[];
}

/** The complaint a customer would make of this unit: the first in the file whose signs are all there. */
export function complaintOf(unit: UnitOnTheBench): string {
  const { complaints } = unit.machine.file;
  const match = complaints.find((c) => Object.entries(c.sees).every(([part, label]) => {
    const seen = unit.read(makeTest(c.setup, "look", part));
    return seen.kind === "label" && seen.label === label;
  }));
  return match!.id;
}

/** Follows an order of tests (the advice, or a fixed list) until the pieces are settled or the order ends. */
export function search(isolation: Isolation, unit: UnitOnTheBench, order: "advice" | readonly Test[], most = 60): Run {
  const { machine } = isolation;
  const complaint = complaintOf(unit);
  const evidence: Evidence[] = [{ type: "complaint", id: "complaint", complaint }];
  const tests: Test[] = [];
  let standing: Standing = { setup: machine.file.complaints.find((c) => c.id === complaint)!.setup, openPanels: new Set() };
  let minutes = 0;
  let searching = 0;
  for (let step = 0; step < most; step++) {
    let test: Test | undefined;
    if (order === "advice") {
      // The advice also proves a board before it is blamed.
      const advice = advise(isolation, evidence, standing);
      if (advice.stop) return { pieces: advice.stop.pieces.length ? advice.stop.pieces : [advice.suspects[0]!.piece], readings: tests.length, searching, minutes, tests };
      test = advice.next!.test;
      if (advice.next!.proves === null) searching++;
    } else {
      // Whoever follows a fixed list stops when it is certain.
      const top = pieceSuspects(isolation, isolation.beliefs(evidence))[0]!;
      if (isFound(isolation, top)) return { pieces: [top.piece], readings: tests.length, searching: tests.length, minutes, tests };
      test = order[step];
    }
    if (!test) break;
    minutes += costOf(machine, standing, test).minutes;
    standing = standingAfter(machine, standing, test);
    tests.push(test);
    evidence.push({ type: "reading", id: String(step), test, shown: unit.read(test) });
  }
  const left = advise(isolation, evidence, standing).suspects.filter((s) => s.probability >= 0.05);
  return { pieces: left.map((s) => s.piece), readings: tests.length, searching: order === "advice" ? searching : tests.length, minutes, tests };
}
