import { describe, expect, it } from "vitest";
import { ORDINARY_METER, type MeterFunction } from "../../../src/core/instrument/meter";
import { Simulator } from "../../../src/core/simulate/energise";
import { observe } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues } from "../../../src/core/simulate/values";
import { demoMachine } from "../../support/demo-machine";
import { machineNamed } from "../../support/fleet";
import { randomSource, randomValues } from "../../support/unit-on-the-bench";

const machine = demoMachine();
const simulator = new Simulator(machine);

/** What the meter shows on the demo refrigerator with a fault ("part:mode", or none). */
function shows(fault: string | null, setup: string, fn: MeterFunction, red: string, black?: string) {
  const faults = fault ? [{ part: fault.split(":")[0]!, mode: fault.split(":")[1]! }] : [];
  const state = simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine));
  return observe(simulator, state, makeTest(setup, fn, red, black), ORDINARY_METER);
}
const volts = (...args: Parameters<typeof shows>) => {
  const shown = shows(...args);
  return shown.kind === "value" ? shown.value : NaN;
};
const seen = (fault: string | null, setup: string, part: string) => {
  const shown = shows(fault, setup, "look", part);
  return shown.kind === "label" ? shown.label : "";
};

describe("the sound refrigerator", () => {
  it("runs when it is warm, stops when the sensor is in ice, and shows its panel", () => {
    expect(seen(null, "cold-call", "compressor")).toBe("runs");
    expect(seen(null, "satisfied", "compressor")).toBe("silent");
    expect(seen(null, "cold-call", "panel")).toBe("lit");
  });

  it("has 13 V at both ends of the panel harness, and 5 V behind the regulator", () => {
    expect(volts(null, "cold-call", "dcv", "J2-1.pad", "J2-3.pad")).toBeCloseTo(13.1, 0);
    expect(volts(null, "cold-call", "dcv", "P1-1.pad", "P1-3.pad")).toBeCloseTo(13.1, 0);
    expect(volts(null, "cold-call", "dcv", "TP5", "J2-3.pad")).toBeCloseTo(5, 1);
  });

  it("stops its fan when the door is opened", () => {
    expect(seen(null, "cold-call", "fan")).toBe("runs");
    expect(seen(null, "door-open", "fan")).toBe("silent");
  });

  it("draws the heater's 2.7 A in defrost and nothing when it cools", () => {
    expect(volts(null, "defrost", "clamp", "clamp-heat")).toBeCloseTo(2.66, 1);
    expect(volts(null, "cold-call", "clamp", "clamp-heat")).toBeCloseTo(0, 3);
  });

  it("is silent and without volts when unplugged, and a look at it says so", () => {
    for (const part of ["compressor", "fan"]) expect(seen(null, "unplugged", part)).toBe("silent");
    expect(volts(null, "unplugged", "dcv", "J2-1", "J2-3")).toBe(0);
  });

  it("reads nearly nothing from the floating low-voltage side to the chassis: that rail has no reference there", () => {
    expect(Math.abs(volts(null, "cold-call", "dcv", "J2-1", "chassis"))).toBeLessThan(0.05);
  });
});

describe("faults as a technician meets them", () => {
  it("a blown board fuse reads full voltage across it, none after it", () => {
    expect(volts("F1:blown", "cold-call", "acv", "J1-1.pad", "F1-out")).toBeGreaterThan(100);
    expect(volts("F1:blown", "cold-call", "acv", "F1-out", "J1-2.pad")).toBeLessThan(2);
    expect(seen("F1:blown", "cold-call", "panel")).toBe("dark");
  });

  it("a supply shorted on its line side blows the fuse before it", () => {
    expect(volts("PS1:input-short", "cold-call", "acv", "J1-1.pad", "F1-out")).toBeGreaterThan(100);
    const dead = shows("PS1:input-short", "unplugged", "ohms", "F1-out", "J1-2.pad");
    expect(dead.kind === "value" && dead.value).toBeLessThan(3);
  });

  it("a broken harness wire leaves 13 V at one end and none at the other", () => {
    expect(volts("W1:open", "cold-call", "dcv", "J2-1", "J2-3")).toBeGreaterThan(12.5);
    expect(Math.abs(volts("W1:open", "cold-call", "dcv", "H1-1.cab", "H1-3.cab"))).toBeLessThan(0.1);
    expect(seen("W1:open", "cold-call", "panel")).toBe("dark");
    expect(seen("W1:open", "cold-call", "compressor")).toBe("runs");
  });

  it("a shorted panel pulls the rail down, and the rail comes back when its plug is pulled", () => {
    const pulled = shows("panel:shorted", "cold-call", "dcv", "J2-1.pad", "J2-3.pad");
    expect(pulled.kind).toBe("jumping");
    expect(volts("panel:shorted", "panel-off-powered", "dcv", "J2-1.pad", "J2-3.pad")).toBeGreaterThan(12.5);
  });

  it("a weak supply reads better with the panel's plug off: an unloaded rail does not clear it", () => {
    const weak = { ...nominalValues(machine), severity: () => 10 };
    const rail = (setup: string) => {
      const state = simulator.energise(machine.setupById.get(setup)!, [{ part: "PS1", mode: "sagging" }], weak);
      const shown = observe(simulator, state, makeTest(setup, "dcv", "J2-1.pad", "J2-3.pad"), ORDINARY_METER);
      return shown.kind === "value" ? shown.value : NaN;
    };
    expect(rail("panel-off-powered") - rail("cold-call")).toBeGreaterThan(0.8);
    expect(rail("cold-call")).toBeLessThan(12);
  });

  it("a resistive contact in the panel's feed makes it start and starve, again and again", () => {
    expect(seen("H1-1:resistive", "cold-call", "panel")).toBe("flickers");
    expect(shows("H1-1:resistive", "cold-call", "dcv", "P1-1", "P1-3").kind).toBe("jumping");
  });

  it("a lost link shows dashes, with the machine running on", () => {
    expect(seen("W2:open", "cold-call", "panel")).toBe("dashes");
    expect(seen("W2:open", "cold-call", "compressor")).toBe("runs");
  });

  it("a welded compressor relay runs on in ice and in defrost", () => {
    expect(seen("K1:welded", "satisfied", "compressor")).toBe("runs");
    expect(seen("K1:welded", "defrost", "compressor")).toBe("runs");
  });

  it("a controller without its rail does nothing: no relay pulls, no fan turns", () => {
    for (const fault of ["U2:dead", "U2:passes", "U1:dead"]) {
      expect(seen(fault, "cold-call", "compressor")).toBe("silent");
      expect(seen(fault, "cold-call", "fan")).toBe("silent");
      expect(seen(fault, "cold-call", "panel")).toBe("dashes");
    }
  });

  it("a relay without coil leaves its driver's pin at nothing instead of the rail", () => {
    expect(volts("K1:contact-open", "satisfied", "dcv", "K1-coil", "J2-3.pad")).toBeGreaterThan(12);
    expect(Math.abs(volts("K1:coil-open", "satisfied", "dcv", "K1-coil", "J2-3.pad"))).toBeLessThan(0.5);
  });
});

describe("what is not there", () => {
  it("refuses a fault, a point or a part the machine has not", () => {
    const setup = machine.file.setups[0]!;
    expect(() => simulator.energise(setup, [{ part: "F9", mode: "blown" }], nominalValues(machine))).toThrow(
      RangeError,
    );
    expect(() => shows(null, "cold-call", "dcv", "J9-1", "J2-3")).toThrow(RangeError);
    expect(() => shows(null, "cold-call", "look", "F1")).toThrow(RangeError);
  });
});

describe("a supply that a bad contact starves", () => {
  // Draws for which its voltage creeps for long before it rests.
  it.each([191, 226, 259, 484, 962])("starts and drops out again and again, draw %i", (seed) => {
    const freezer = machineNamed("firnau-bf-330");
    const values = randomValues(freezer, randomSource(seed));
    const starved = new Simulator(freezer);
    const state = starved.energise(freezer.setupById.get("calling")!, [{ part: "J1-1", mode: "resistive" }], values);
    expect(state.settled).toBe(false);
    const mains = observe(starved, state, makeTest("calling", "acv", "J1-1.pad", "J1-2.pad"), ORDINARY_METER);
    expect(mains.kind).toBe("jumping");
    // Behind the bad contact it never has what comes in.
    expect(mains.kind === "jumping" && mains.high < values.supplyVolts && mains.low < 0.9 * values.supplyVolts).toBe(
      true,
    );
    expect(observe(starved, state, makeTest("calling", "look", "panel"), ORDINARY_METER)).not.toEqual({
      kind: "label",
      label: "lit",
    });
  });
});
