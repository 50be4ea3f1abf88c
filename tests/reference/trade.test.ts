import { coldOhms } from "../../src/core/model/kinds/fuse";
import { describe, expect, it } from "vitest";
import { loadedShare, ORDINARY_METER } from "../../src/core/instrument/meter";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import { ntcOhms } from "../../src/core/model/kinds/ntc";
import { readEngineering } from "../../src/core/quantity/read";
import { Simulator } from "../../src/core/simulate/energise";
import { observe } from "../../src/core/simulate/observe";
import { makeTest, type Test } from "../../src/core/simulate/test";
import { nominalValues } from "../../src/core/simulate/values";
import { demoMachine } from "../support/demo-machine";
import { machineNamed } from "../support/fleet";
import { KETTLE } from "../support/kettle";

function on(machine: ReturnType<typeof demoMachine>, test: Test, fault?: [string, string]): number | string {
  const simulator = new Simulator(machine);
  const state = simulator.energise(
    machine.setupById.get(test.setup)!,
    fault ? [{ part: fault[0], mode: fault[1] }] : [],
    nominalValues(machine),
  );
  const shown = observe(simulator, state, test, ORDINARY_METER);
  return shown.kind === "value" ? shown.value : shown.kind;
}
const fridge = demoMachine();
const kettle = readMachineYaml(KETTLE, "kettle").machine;

describe("published values", () => {
  // IEC 60062, resistor marking.
  it.each([
    ["4K7", 4700],
    ["R47", 0.47],
    ["2R2", 2.2],
    ["1M0", 1e6],
  ])("IEC 60062: %s is %d ohm", (mark, ohms) => {
    expect(readEngineering(mark)?.value).toBeCloseTo(ohms, 9);
  });

  it("IEC 60539-1: B from two resistances returns both of them", () => {
    const [r25, r85, t85] = [5000, 600, 85];
    const beta = Math.log(r25 / r85) / (1 / 298.15 - 1 / (t85 + 273.15));
    expect(ntcOhms(r25, beta, 25)).toBeCloseTo(r25, 9);
    expect(ntcOhms(r25, beta, t85)).toBeCloseTo(r85, 6);
  });

  it("phantom volts: 1e9 ohm behind 120 V shows 1.2 V on a 10 Mohm meter, 1e11 nothing (engine notes, and the divider rule)", () => {
    expect(120 * loadedShare(1e9, ORDINARY_METER.inputOhms)).toBeCloseTo(1.19, 2);
    expect(120 * loadedShare(1e11, ORDINARY_METER.inputOhms)).toBeLessThan(0.02);
  });
});

describe("facts of the trade (common practice, no source)", () => {
  it("a 325 W, 120 V heater reads 44.3 ohm, and twice that is the wrong element", () => {
    const ohms = on(fridge, makeTest("unplugged", "ohms", "heater-line", "heater-neutral"));
    expect(ohms).toBeCloseTo(44.3, 1);
    expect(Math.abs(42.4 - Number(ohms)) / Number(ohms)).toBeLessThan(0.1);
    expect(Math.abs(88.6 - Number(ohms)) / Number(ohms)).toBeGreaterThan(0.1);
  });

  it("rectified mains is about 170 V from 120 V", () => {
    expect(on(fridge, makeTest("panel-off-powered", "dcv", "bulk-plus", "bulk-minus"))).toBeGreaterThan(160);
    expect(on(fridge, makeTest("panel-off-powered", "dcv", "bulk-plus", "bulk-minus"))).toBeLessThan(172);
  });

  it("a board's isolated rail of the 13 V kind is good from 12 to 14 V", () => {
    const rail = on(fridge, makeTest("cold-call", "dcv", "J2-1", "J2-3"));
    expect(rail).toBeGreaterThan(12);
    expect(rail).toBeLessThan(14);
  });

  it("mains from line to chassis passes with an open neutral; line to neutral does not", () => {
    const neutral: [string, string] = ["cord", "neutral-open"];
    expect(on(fridge, makeTest("cold-call", "acv", "J1-1", "chassis"), neutral)).toBeGreaterThan(110);
    expect(on(fridge, makeTest("cold-call", "acv", "J1-1", "J1-2"), neutral)).toBeLessThan(60);
  });

  it("a fuse tested dead reads near nothing when it is whole, overload or the loop around it when it is blown", () => {
    expect(on(kettle, makeTest("off", "ohms", "in-L", "out-L"))).toBeLessThan(0.1);
    expect(on(kettle, makeTest("off", "ohms", "in-L", "out-L"), ["F1", "blown"])).toBe("overload");
  });

  // IEC 60127-2, from memory of the volts it lets a fuse drop.
  it.each([
    [0.1, "quick", 3, 5],
    [1, "quick", 0.1, 0.2],
    [10, "quick", 0.003, 0.009],
    [0.1, "time-lag", 0.7, 2],
    [10, "blade", 0.006, 0.009],
  ] as const)("a sound fuse of %s A, %s, has %s to %s ohm of its own", (amps, family, least, most) => {
    const ohms = coldOhms(amps, family);
    expect(ohms).toBeGreaterThanOrEqual(least);
    expect(ohms).toBeLessThanOrEqual(most);
  });

  // Common practice, no source: a floating wire shows anything up to nearly half the mains on a 10 Mohm meter, and
  // nothing on a low-impedance one.
  it("a wire that hangs in the air beside live ones shows phantom volts, or none; a low-impedance meter shows none", () => {
    const simulator = new Simulator(kettle);
    const read = (fn: "acv" | "lowz", seed: number) => {
      const faults = [
        { part: "F1", mode: "blown" },
        { part: "heater", mode: "open" },
      ];
      const lies = { ...nominalValues(kettle), between: seed / 60 };
      const state = simulator.energise(kettle.setupById.get("on")!, faults, lies);
      const shown = observe(simulator, state, makeTest("on", fn, "out-L", "in-N"), ORDINARY_METER);
      return shown.kind === "value" ? shown.value : NaN;
    };
    const seeds = Array.from({ length: 60 }, (_, i) => i + 1);
    const shown = seeds.map((s) => read("acv", s));
    expect(shown.some((v) => v === 0)).toBe(true);
    expect(shown.some((v) => v > 15)).toBe(true);
    expect(Math.max(...shown)).toBeLessThan(60);
    expect(Math.max(...seeds.map((s) => read("lowz", s)))).toBeLessThan(1);
  });

  it("a potentiometer whose wiper lifts off has its track whole, and nothing from the wiper to either end", () => {
    const cabinet = machineNamed("kolbrast-tk-2");
    const lifted: [string, string] = ["dial", "wiper-open"];
    const track = makeTest("dead", "ohms", "D-4", "D-5");
    expect(on(cabinet, track, lifted)).toBeCloseTo(on(cabinet, track) as number, -2);
    expect(on(cabinet, track, ["dial", "track-open"])).not.toBe(on(cabinet, track));
  });

  it("a run capacitor is measured with a lead off: its own farads, whatever windings lie beside it", () => {
    const barrier = machineNamed("gratlosch-bd-5");
    const own = makeTest("dead", "capacitance", "B-1", "B-2");
    expect(on(barrier, own)).toBeCloseTo(8.3e-6, 9);
    expect(on(barrier, own, ["motor", "start-open"])).toBeCloseTo(8.3e-6, 9);
    expect(on(barrier, own, ["CR", "shorted"])).toBe("overload");
  });

  it("a fuse tested live shows the same voltage on both ends with an open load behind it, blown or not: it can fool", () => {
    expect(on(kettle, makeTest("on", "acv", "in-L", "out-L"), ["F1", "blown"])).toBeGreaterThan(110);
    expect(on(kettle, makeTest("on", "acv", "out-L", "in-N"), ["heater", "open"])).toBeGreaterThan(110);
  });

  it("an NTC of 5 k at 25 C reads 4.8 to 5.0 k near 25 C and far higher in stirred crushed ice", () => {
    expect(ntcOhms(5000, 3650, 25.5)).toBeGreaterThan(4800);
    expect(ntcOhms(5000, 3650, 25)).toBeLessThanOrEqual(5000);
    expect(ntcOhms(5000, 3650, 0)).toBeGreaterThan(2.5 * 5000);
  });

  it("none at the rail while mains comes in: with what it feeds unplugged, a shorted panel lets it come back and a dead supply does not", () => {
    const rail = makeTest("panel-off-powered", "dcv", "J2-1.pad", "J2-3.pad");
    expect(on(fridge, rail, ["panel", "shorted"])).toBeGreaterThan(12);
    expect(Math.abs(Number(on(fridge, rail, ["PS1", "dead"])))).toBeLessThan(0.1);
  });

  it("works on the clamp: 120 V over the heater's ohms is what the clamp reads", () => {
    expect(Number(on(fridge, makeTest("defrost", "clamp", "clamp-heat")))).toBeCloseTo(
      Number(on(fridge, makeTest("defrost", "acv", "heater-line", "heater-neutral"))) / 44.3,
      1,
    );
  });
});
