import { describe, expect, it } from "vitest";
import { faultGroups } from "../../src/core/isolate/groups";
import { walkOf } from "../../src/core/isolate/walk";
import { testKey } from "../../src/core/simulate/test";
import { FLEET, groupsOf, isolationOf } from "../support/fleet";
import { search } from "../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../support/unit-on-the-bench";

it("has at least fifteen machines", () => expect(FLEET.length).toBeGreaterThanOrEqual(15));

describe.each(FLEET)("%s", (name) => {
  const isolation = isolationOf(name);
  const { machine } = isolation;
  const committed = groupsOf(name);
  const faults = isolation.hypotheses.filter((h) => h.kind === "fault");

  it("can tell apart what was committed before the search was run, at least 80 % of its faults alone", () => {
    expect(faultGroups(isolation).filter((g) => g.length > 1)).toEqual(committed);
    const together = new Set(committed.flat());
    const alone = faults.filter((h) => !together.has(h.id));
    const weight = (list: typeof faults) => list.reduce((sum, h) => sum + h.prior, 0);
    console.log(`${name}: ${alone.length} of ${faults.length} faults stand alone, ${((100 * weight(alone)) / weight(faults)).toFixed(0)} % weighted by odds`);
    expect(alone.length).toBeGreaterThanOrEqual(0.8 * faults.length);
  });

  it("ends at the right piece for every single fault, part values drawn at random", { timeout: 600_000 }, () => {
    const random = randomSource(7);
    const wrong: string[] = [];
    for (const h of faults) {
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      const run = search(isolation, unit, "advice");
      const group = committed.find((g) => g.includes(h.id)) ?? [h.id];
      const allowed = new Set(group.map((id) => isolation.hypotheses.find((x) => x.id === id)!.piece));
      if (!run.pieces.includes(h.piece) || run.pieces.some((p) => !allowed.has(p))) wrong.push(`${h.id} ended at ${run.pieces.join(", ")} after ${run.tests.map(testKey).join(" ; ")}`);
    }
    expect(wrong).toEqual([]);
  });

  it("can be walked without a plan too", () => {
    const walk = walkOf(machine);
    expect(walk.length).toBeGreaterThan(5);
    expect(new Set(walk.map(testKey)).size).toBe(walk.length);
  });
});
