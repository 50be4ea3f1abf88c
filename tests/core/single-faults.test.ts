import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { faultGroups } from "../../src/core/isolate/groups";
import { makeTest, testKey } from "../../src/core/simulate/test";
import { demoIsolation } from "../support/demo-machine";
import { search } from "../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../support/unit-on-the-bench";

const isolation = demoIsolation();
const { machine } = isolation;
const committed = JSON.parse(readFileSync(new URL("../../machines/groups/quellmoor-sb-210.json", import.meta.url), "utf8")) as string[][];
const faults = isolation.hypotheses.filter((h) => h.kind === "fault");

describe("what the dictionary can tell apart", () => {
  it("is what was committed before any search was run", () => {
    expect(faultGroups(isolation).filter((g) => g.length > 1)).toEqual(committed);
  });

  it("leaves at least 80 % of the faults standing alone", () => {
    const together = new Set(committed.flat());
    expect(faults.filter((h) => !together.has(h.id)).length).toBeGreaterThanOrEqual(0.8 * faults.length);
  });
});

describe("every single fault of the machine, part values drawn at random", () => {
  it("ends at the right piece, or in a committed group that holds it", { timeout: 600_000 }, () => {
    const random = randomSource(7);
    const wrong: string[] = [];
    for (const h of faults) {
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      const run = search(isolation, unit, "advice");
      const group = committed.find((g) => g.includes(h.id)) ?? [h.id];
      const allowed = new Set(group.map((id) => isolation.hypotheses.find((x) => x.id === id)!.piece));
      if (!run.pieces.some((p) => p === h.piece) || run.pieces.some((p) => !allowed.has(p))) wrong.push(`${h.id} ended at ${run.pieces.join(", ")} after ${run.tests.map(testKey).join(" ; ")}`);
    }
    expect(wrong).toEqual([]);
  });

  it("takes fewer readings and minutes than walking the chain or going at random", { timeout: 600_000 }, () => {
    const random = randomSource(8);
    const chain = machine.file.chain.map((t) => makeTest(t.setup, t.function, t.red, t.black));
    const sums = { advice: [0, 0], walk: [0, 0], random: [0, 0] };
    // Every third fault keeps the comparison short; the bench runs them all.
    const some = faults.filter((_, i) => i % 3 === 0);
    for (const h of some) {
      const values = randomValues(machine, random);
      const shuffled = chain.map((test) => ({ test, at: random() })).sort((a, b) => a.at - b.at).map(({ test }) => test);
      for (const [name, order] of [["advice", "advice"], ["walk", chain], ["random", shuffled]] as const) {
        const run = search(isolation, new UnitOnTheBench(machine, [h.fault], values, random), order);
        sums[name][0]! += run.readings / some.length;
        sums[name][1]! += run.minutes / some.length;
      }
    }
    console.log(Object.entries(sums).map(([name, [readings, minutes]]) => `${name}: ${readings!.toFixed(1)} readings, ${minutes!.toFixed(1)} min`).join("; "));
    expect(sums.advice[0]).toBeLessThan(sums.walk[0]!);
    expect(sums.advice[1]).toBeLessThan(sums.walk[1]!);
    expect(sums.advice[1]).toBeLessThan(sums.random[1]!);
  });

  it("finds a dead door panel's fault in at most six readings", { timeout: 300_000 }, () => {
    const random = randomSource(9);
    for (const id of ["panel:dead", "W4:open", "H1-1:open", "J2-3:open", "P1-1:open", "W3:open"]) {
      const h = faults.find((f) => f.id === id)!;
      const run = search(isolation, new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random), "advice");
      expect(run.pieces, id).toEqual([h.piece]);
      expect(run.readings, `${id}: ${run.tests.map(testKey).join(" ; ")}`).toBeLessThanOrEqual(6);
    }
  });
});
