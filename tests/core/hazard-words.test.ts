import { describe, expect, test } from "vitest";
import { readMachineYaml } from "../../src/core/formats/machine-yaml";
import { cautionsAt, forbidden, inSupplyPrimary, sourcesOff } from "../../src/core/hazard/rules";
import { workCautions } from "../../src/core/hazard/work-cautions";
import { compileMachine, type Machine } from "../../src/core/machine/compile";
import { makeTest } from "../../src/core/simulate/test";
import { FLEET, machineNamed } from "../support/fleet";
import { KETTLE } from "../support/kettle";

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

describe("the dangers of working on a machine", () => {
  const kettle = readMachineYaml(KETTLE, "kettle.yaml").machine;
  const of = (machine: Machine, cleans = false) => workCautions(machine, cleans).map((c) => c.of);
  test("a kettle is only hot; as powered equipment it may also hold something up, with or without a drive that is drawn", () => {
    expect(of(kettle)).toEqual(["raised", "hot"]);
    expect(of(compileMachine({ ...kettle.file, family: "washer" }))).toEqual(["hot"]);
    // A driven load is let down, and an engine secured, whatever the family is called.
    for (const name of ["brenzik-cd-30", "dornlau-fl-7", "sellrun-lc-24", "pfellmar-co-12"]) expect(of(compileMachine({ ...machineNamed(name).file, family: "washer" })), name).toContain("raised");
    expect(of(machineNamed("quellmoor-sb-210"))).not.toContain("raised");
  });
  test("bare mains are named where there are covers over mains, and a spray only where one is used", () => {
    expect(of(machineNamed("quellmoor-sb-210"))).toContain("mains");
    expect(of(kettle)).not.toContain("mains");
    for (const name of FLEET) {
      expect(of(machineNamed(name)), name).not.toContain("aerosol");
      expect(of(machineNamed(name), true).filter((x) => x === "aerosol"), name).toHaveLength(1);
    }
  });
  test("of two sources each is named, to be locked off", () => {
    for (const name of FLEET) {
      const machine = machineNamed(name);
      const said = workCautions(machine).filter((c) => c.of === "two sources");
      expect(said, name).toHaveLength(machine.sources.length > 1 ? 1 : 0);
      for (const { words } of said) for (const source of machine.sources) expect(words).toContain(source.name.toLowerCase());
    }
  });
});
