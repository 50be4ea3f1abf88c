import { describe, expect, it } from "vitest";
import { makeTest, testKey } from "../../../src/core/simulate/test";
import { demoDictionary } from "../../support/demo-machine";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const dictionary = demoDictionary();
const { machine } = dictionary;
const faults = dictionary.hypotheses.filter((h) => h.kind === "fault");

describe("single faults of the machine, part values drawn at random", () => {
  it("takes fewer readings and minutes than walking the chain or going at random", { timeout: 600_000 }, () => {
    const random = randomSource(8);
    const chain = machine.file.chain.map((t) => makeTest(t.setup, t.function, t.red, t.black));
    const sums = { advice: [0, 0], walk: [0, 0], random: [0, 0] };
    // Every tenth fault keeps the comparison short; the bench runs them all.
    const some = faults.filter((_, i) => i % 10 === 0);
    for (const h of some) {
      const values = randomValues(machine, random);
      const shuffled = chain
        .map((test) => ({ test, at: random() }))
        .sort((a, b) => a.at - b.at)
        .map(({ test }) => test);
      for (const [name, order] of [
        ["advice", "advice"],
        ["walk", chain],
        ["random", shuffled],
      ] as const) {
        const run = search(dictionary, new UnitOnTheBench(machine, [h.fault], values, random), order);
        sums[name][0]! += run.readings / some.length;
        sums[name][1]! += run.minutes / some.length;
      }
    }
    console.log(
      Object.entries(sums)
        .map(([name, [readings, minutes]]) => `${name}: ${readings!.toFixed(1)} readings, ${minutes!.toFixed(1)} min`)
        .join("; "),
    );
    expect(sums.advice[0]).toBeLessThan(sums.walk[0]!);
    expect(sums.advice[1]).toBeLessThan(sums.walk[1]!);
    expect(sums.advice[1]).toBeLessThan(sums.random[1]!);
  });

  it("finds a dead door panel's fault in at most six readings", () => {
    const random = randomSource(9);
    for (const id of ["panel:dead", "W4:open", "H1-1:open", "J2-3:open", "P1-1:open", "W3:open"]) {
      const h = faults.find((f) => f.id === id)!;
      const run = search(
        dictionary,
        new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random),
        "advice",
      );
      expect(run.assemblies, id).toEqual([h.assembly]);
      expect(run.searching, `${id}: ${run.tests.map(testKey).join(" ; ")}`).toBeLessThanOrEqual(6);
    }
  });
});
