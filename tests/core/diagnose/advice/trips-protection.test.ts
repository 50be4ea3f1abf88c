import { expect, it } from "vitest";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { isPowered } from "../../../../src/core/safety/exposure";
import { isolationOf } from "../../../support/fleet";
import { complaintMadeOf, search } from "../../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../../support/unit-on-the-bench";

const dictionary = isolationOf("firnau-bf-330");
const { machine } = dictionary;
const complaint: Evidence = { type: "complaint", id: "c", complaint: "trips-defrost" };
const unitDrawn = (part: string, mode: string, as: string) => {
  const random = randomSource(9);
  for (let drawn = 0; drawn < 100; drawn++) {
    const unit = new UnitOnTheBench(machine, [{ part, mode }], randomValues(machine, random), random);
    if (complaintMadeOf(unit) === as) return unit;
  }
  throw new RangeError(`No ${part}:${mode} fits ${as}.`);
};

// Common practice, no source: what trips is not powered again to look; the leak is found dead, to the metalwork.
it.each([
  ["heater", "trips-defrost"],
  ["compressor", "trips"],
])("a leak of the %s that trips the earth-leakage breaker is found without power, in few readings", (part, as) => {
  const run = search(dictionary, unitDrawn(part, "to-case", as), "advice");
  expect(run.assemblies).toEqual([part]);
  expect(run.inVain).toEqual([]);
  expect(run.tests.filter((t) => isPowered(machine.setupById.get(t.setup)!))).toEqual([]);
  expect(run.tests.length).toBeLessThan(9);
});

it("once no leak can be told any more the machine may be powered", () => {
  const run = search(dictionary, unitDrawn("RCD", "trips-by-itself", "trips"), "advice");
  expect(run.assemblies).toEqual(["house"]);
  const powered = run.tests.map((t) => isPowered(machine.setupById.get(t.setup)!));
  expect(powered[0]).toBe(false);
  expect(powered).toContain(true);
  expect(run.tests.length).toBeLessThan(12);
  expect(advise(dictionary, [complaint], { setup: "unplugged", openPanels: new Set() }).attempt).toBeNull();
});
