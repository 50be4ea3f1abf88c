import { expect, test } from "vitest";
import { cautionsAt, forbidden, inSupplyPrimary, sourcesOff } from "../../src/core/hazard/rules";
import { makeTest } from "../../src/core/simulate/test";
import { machineNamed } from "../support/fleet";

// Written for what mutation testing of the hazard rules left alive: what is said, and of which parts.
const cooler = machineNamed("kaldruun-uc-80");
const setup = (id: string) => cooler.setupById.get(id)!;

test("on a live circuit ohms and continuity are refused by one sentence, capacitance and insulation by the one that says discharge", () => {
  for (const fn of ["ohms", "continuity"] as const) expect(forbidden(cooler, setup("calling"), makeTest("calling", fn, "T-L", "T-N"))).toBe("Ohms only on a dead circuit: unplug, wait, prove it dead.");
  for (const fn of ["capacitance", "insulation"] as const) expect(forbidden(cooler, setup("calling"), makeTest("calling", fn, "T-L", "T-N"))).toBe("Only on a dead circuit: unplug, wait, discharge, prove it dead.");
});

test("with the plug out a look is allowed, and nothing that needs power", () => {
  expect(forbidden(cooler, setup("unplugged"), makeTest("unplugged", "look", "compressor"))).toBeNull();
  for (const fn of ["dcv", "acv", "lowz", "hertz"] as const) expect(forbidden(cooler, setup("unplugged"), makeTest("unplugged", fn, "T-L", "T-N"))).toContain("needs power");
});

test("an insulation tester goes from mains to metalwork only: not within the mains, not on the metalwork alone, not in a supply's primary", () => {
  const asked = (red: string, black: string) => forbidden(cooler, setup("unplugged"), makeTest("unplugged", "insulation", red, black));
  expect(asked("T-L", "chassis")).toBeNull();
  expect(asked("chassis", "T-L")).toBeNull();
  expect(asked("T-L", "T-N")).toContain("kills electronics");
  expect(asked("chassis", "plug-earth")).toContain("kills electronics");
  const fridge = machineNamed("quellmoor-sb-210");
  const bulk = makeTest("unplugged", "insulation", "bulk-plus", "chassis");
  expect(inSupplyPrimary(fridge, bulk)).toBe(true);
  expect(forbidden(fridge, fridge.setupById.get("unplugged")!, bulk)).toContain("kills electronics");
});

test("each kind of feed is taken off in its own words; of several, every one is named", () => {
  expect(sourcesOff(cooler)).toBe("Pull the plug and keep it in sight.");
  const panel = machineNamed("pfellmar-co-12");
  expect(panel.sources.length).toBeGreaterThan(1);
  expect(sourcesOff(panel)).toBe(`Every source off and locked: ${panel.sources.map((s) => s.name.toLowerCase()).join(", ")}.`);
  expect(sourcesOff(machineNamed("tannrast-ft-20"))).toBe("Take the battery off.");
});

test("work on a piece says how it is made dead, and the cautions of its own parts and of no others", () => {
  const own = cautionsAt(cooler, "heater");
  expect(own[0]).toContain("prove it dead before you touch it");
  expect(own.join(" ")).toContain("sheath is hot");
  expect(own.join(" ")).not.toContain("refrigerant");
  expect(cautionsAt(cooler, "compressor").join(" ")).toContain("refrigerant");
});
