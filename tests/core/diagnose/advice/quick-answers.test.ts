import { describe, expect, it } from "vitest";
import { answersFor } from "../../../../src/core/diagnose/advice/answers";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { labelsIn } from "../../../../src/core/simulate/by-hand";
import { isolationOf } from "../../../support/fleet";

const dictionary = isolationOf("zirvald-bw-15");
const { machine } = dictionary;
// Of its own memory: what was weighed widely before is not quick any more.
const other = isolationOf("zirvald-bw-15");

/** Readings of a unit that no file describes: the same number everywhere, the same test made again every third time. */
function strangeReadings(complaint: string, value: number): Evidence[][] {
  const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint }];
  const all = [[...evidence]];
  let unitState = {
    setup: machine.file.complaints.find((c) => c.id === complaint)!.setup,
    openPanels: new Set<string>(),
  };
  for (let i = 0; i < 6; i++) {
    const { next } = answersFor(other, evidence, unitState).advice;
    if (!next) break;
    const { test } = next;
    unitState = { ...unitState, setup: test.setup };
    const shown =
      test.function === "look"
        ? { kind: "label" as const, label: labelsIn(machine, test.setup, test.red)!.at(-1)! }
        : { kind: "value" as const, value };
    evidence.push({ type: "reading", id: `r${i}`, test, shown });
    if (i % 3 === 2) evidence.push({ type: "reading", id: `again${i}`, test, shown });
    all.push([...evidence]);
  }
  return all;
}

describe("answers by single faults", () => {
  it("are the last word where they say that they are whole; where they are not, more was not weighed", () => {
    let [whole, open] = [0, 0];
    for (const { id, setup } of machine.file.complaints)
      for (const value of [0, 7.7, 77])
        for (const evidence of strangeReadings(id, value)) {
          const unitState = { setup, openPanels: new Set<string>() };
          const quick = answersFor(dictionary, evidence, unitState, "single faults");
          if (quick.isWhole) expect(quick).toEqual(answersFor(other, evidence, unitState, "wide"));
          else expect(quick.advice.isWider).toBe(false);
          if (quick.isWhole) whole++;
          else open++;
        }
    expect(whole).toBeGreaterThan(10);
    expect(open).toBeGreaterThan(10);
  });

  it("asked again once more was weighed, are those", () => {
    const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: "runs-on" }];
    const unitState = { setup: "resting", openPanels: new Set<string>() };
    const fresh = isolationOf("zirvald-bw-15");
    expect(answersFor(fresh, evidence, unitState, "single faults").isWhole).toBe(false);
    const wide = answersFor(fresh, evidence, unitState, "wide");
    expect(wide.isWhole).toBe(true);
    expect(answersFor(fresh, evidence, unitState, "single faults")).toEqual(wide);
  });
});
