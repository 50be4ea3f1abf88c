import { describe, expect, it } from "vitest";
import { ORDINARY_METER, type MeterFunction } from "../../../src/core/instrument/meter";
import { gesturesTo } from "../../../src/core/model/program/program";
import { energyAt, exposureOf } from "../../../src/core/safety/exposure";
import { cautionsFor, forbidden } from "../../../src/core/safety/rules";
import { sourcesOff } from "../../../src/core/safety/isolation";
import { costOf } from "../../../src/core/diagnose/planning/cost";
import { programOf } from "../../../src/core/simulate/conditions";
import { Simulator } from "../../../src/core/simulate/energise";
import { observe } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues } from "../../../src/core/simulate/values";
import { machineNamed } from "../../support/fleet";

/** What a technician sees and measures on one machine of the fleet. */
function unit(name: string) {
  const machine = machineNamed(name);
  const simulator = new Simulator(machine);
  const shown = (setup: string, fn: MeterFunction, red: string, black?: string, fault?: string) => {
    const faults = fault ? [{ part: fault.split(":")[0]!, mode: fault.split(":")[1]! }] : [];
    return observe(
      simulator,
      simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine)),
      makeTest(setup, fn, red, black),
      ORDINARY_METER,
    );
  };
  return {
    machine,
    seen: (setup: string, part: string, fault?: string) => {
      const s = shown(setup, "look", part, undefined, fault);
      return s.kind === "label" ? s.label : s.kind;
    },
    reads: (setup: string, fn: MeterFunction, red: string, black?: string, fault?: string) => {
      const s = shown(setup, fn, red, black, fault);
      return s.kind === "value" ? s.value : s.kind === "overload" ? Infinity : NaN;
    },
    exposure: (setup: string, fn: MeterFunction, red: string, black?: string) =>
      exposureOf(machine, machine.setupById.get(setup)!, makeTest(setup, fn, red, black)),
  };
}

describe("under-counter refrigerator with a supply that is not isolated", () => {
  const u = unit("kaldruun-uc-80");
  it("has 12 V as deadly as the mains, its sensor and its defrost pins too", () => {
    for (const point of ["TP12", "TP5", "fd-1", "S-1"]) expect(energyAt(u.machine, point), point).toBe("mains");
    expect(u.exposure("calling", "dcv", "TP12", "T-N.pad")).toBe("live");
    expect(u.reads("calling", "dcv", "TP12", "T-N.pad")).toBeCloseTo(12, 0);
  });
  it("is tested on the bench with lamps for its loads, the defrost pins joined", () => {
    expect(u.seen("bench", "compressor")).toBe("lamp lit");
    expect(u.seen("bench-defrost", "compressor")).toBe("lamp dark");
    expect(u.reads("bench-defrost", "acv", "T-D.pad", "T-N.pad")).toBeCloseTo(230, -1);
    expect(u.seen("bench", "compressor", "K1:contact-open")).toBe("lamp dark");
  });
});

describe("absorption refrigerator on three energies", () => {
  const u = unit("murgast-abs-60");
  it("works on one energy when the other has failed: what both need is cleared, not whole boards", () => {
    expect(u.seen("on-mains", "unit", "FD:blown")).toBe("warm");
    expect(u.seen("on-mains", "unit", "HA:open")).toBe("warm");
    expect(u.seen("on-battery", "unit", "HA:open")).toBe("cools");
    expect(u.seen("on-battery", "unit", "FA:blown")).toBe("cools");
    expect(u.seen("on-gas", "gas", "KA:contact-open")).toBe("flame");
  });
  it("must be calling, and is dead only with both sources off", () => {
    expect(u.seen("cold", "unit")).toBe("warm");
    expect(sourcesOff(u.machine)).toMatch(
      /Every source off and locked: mains outlet \(plug out\), 12 v battery \(battery lead off\)/i,
    );
    expect(
      costOf(u.machine, { setup: "on-mains", openPanels: new Set() }, makeTest("dead", "ohms", "FA-in", "FA-out"))
        .steps[0],
    ).toMatch(/Every source off/);
  });
  it("tells its two cut-offs apart dead, each by itself", () => {
    expect(u.reads("dead", "ohms", "cut-in", "cut-out", "cut-reset:open")).toBe(Infinity);
    expect(u.reads("dead", "ohms", "cut-in", "cut-out", "cut-once:open")).toBeLessThan(1);
    expect(u.reads("dead-off", "ohms", "J1-3", "ac-heat", "cut-once:open")).toBe(Infinity);
  });
  it("is dead on all three once the resettable cut-off has tripped, on mains only with the one-shot one", () => {
    for (const [setup, part, dead] of [
      ["on-mains", "unit", "warm"],
      ["on-battery", "unit", "warm"],
      ["on-gas", "gas", "no flame"],
      ["on-mains", "display", "dark"],
    ] as const)
      expect(u.seen(setup, part, "cut-reset:open")).toBe(dead);
    expect(u.seen("on-mains", "unit", "cut-once:open")).toBe("warm");
    expect(u.seen("on-battery", "unit", "cut-once:open")).toBe("cools");
    expect(u.seen("on-mains", "display", "display:dead")).toBe("dark");
    expect(u.seen("on-mains", "unit", "display:dead")).toBe("cools");
  });
});

describe("front-load washer", () => {
  const u = unit("dornlau-fl-7");
  it("locks, fills, turns; a lock that does not report itself is a code, a link that is lost another", () => {
    expect(u.seen("running", "drum")).toBe("moves");
    expect(u.seen("running", "panel", "lock:sense-open")).toBe("F3");
    expect(u.seen("running", "panel", "X4-4:open")).toBe("F5");
    expect(u.seen("running", "panel", "U3:dead")).toBe("F5");
    expect(u.seen("running", "drum", "drum:belt-off")).toBe("stands");
    expect(u.seen("running", "motor", "drum:belt-off")).toBe("turns");
  });
});

describe("dishwasher", () => {
  const u = unit("velmoor-dw-45");
  it("runs one test a press, and its board lamp goes by the state", () => {
    expect(["test-drain", "test-fill", "test-wash", "test-heat"].map((s) => u.seen(s, "panel"))).toEqual([
      "1",
      "2",
      "3",
      "4",
    ]);
    expect(u.seen("idle", "lamp")).toBe("blinks evenly");
    expect(u.seen("idle", "lamp", "float:stuck-closed")).toBe("1 flash, pause");
    expect(u.seen("idle", "panel", "C-2:open")).toBe("dashes");
  });
  it("a burnt relay joint reads voltage before it and none behind", () => {
    expect(u.reads("test-heat", "acv", "A-1.pad", "B-4.pad", "KH-joint:open")).toBeCloseTo(230, -1);
    expect(u.reads("test-heat", "acv", "B-1.pad", "B-4.pad", "KH-joint:open")).toBeLessThan(5);
  });
  it("its panel comes back after a power cycle, for a while", () => {
    expect(u.seen("just-on", "panel", "panel:tires")).toBe("P1");
    expect(u.seen("idle", "panel", "panel:tires")).toBe("dark");
    expect(u.seen("just-on", "panel", "panel:dead")).toBe("dark");
  });
});

describe("coin dryer, ice maker, vending machine", () => {
  it("a coin starts the dryer, a card too, an open door stops it, a jammed coin is a code", () => {
    const u = unit("brenzik-cd-30");
    expect(u.seen("coin", "drum")).toBe("moves");
    expect(u.seen("card", "drum", "coin:dead")).toBe("moves");
    expect(u.seen("coin-open", "drum")).toBe("stands");
    expect(u.seen("idle", "lamp", "coin:jammed")).toBe("blinks fast");
    expect(u.machine.file.settings.map((s) => s.id)).toEqual(["dry-time", "cool-time", "pay-type"]);
  });
  it("the ice maker fills, freezes and harvests by time and sensor, and stops with a full bin", () => {
    const u = unit("lawinor-im-90");
    expect(u.seen("filling", "valve")).toBe("flows");
    expect(u.seen("freezing", "pump")).toBe("pumps");
    expect(u.seen("harvesting", "hot-gas")).toBe("flows");
    expect(u.seen("bin-full", "lamp")).toBe("steady");
    expect(u.seen("filling", "lamp", "evap:open")).toBe("2 flashes, pause");
  });
  it("the vending machine waits out its start delay, and hides a menu behind an option", () => {
    const u = unit("obwart-dv-8");
    expect(u.seen("idle", "compressor")).toBe("silent");
    expect(u.seen("cooling", "compressor")).toBe("runs");
    const program = programOf(u.machine)!;
    expect(gesturesTo(program, "menu", "hidden-menu")!.map((g) => g.id)).toEqual([
      "next",
      "next2",
      "next3",
      "unlock",
      "hidden",
    ]);
    expect(gesturesTo(program, "hidden-menu", "sale")!.map((g) => g.id)).toEqual(["back"]);
  });
});

describe("conveyor, changeover panel, winch", () => {
  it("the conveyor's lamp: steady, even, groups, and the distress signal when the motor is seized", () => {
    const u = unit("sellrun-lc-24");
    expect(u.seen("started", "lamp")).toBe("steady");
    expect(u.seen("ready", "lamp")).toBe("blinks evenly");
    expect(u.seen("guard-open", "lamp")).toBe("1 flash, pause");
    expect(u.seen("covered", "lamp")).toBe("3 flashes, pause");
    expect(u.seen("ready", "lamp", "start:stuck-closed")).toBe("steady");
    expect(u.seen("started", "lamp", "motor:seized")).toBe("distress signal");
    expect(u.seen("bypass", "motor")).toBe("turns");
    expect(u.seen("bypass", "motor", "motor:brushes-worn")).toBe("still");
  });
  it("the changeover starts its engine when the sensing plug works loose, though the utility is there", () => {
    const u = unit("pfellmar-co-12");
    expect(u.seen("utility-on", "engine")).toBe("stands");
    expect(u.seen("utility-on", "engine", "S-1:open")).toBe("runs");
    expect(u.seen("utility-lost", "load-g")).toBe("bright");
    expect(u.seen("utility-lost", "engine", "battery:flat")).toBe("stands");
    expect(u.seen("utility-lost", "engine", "engine:no-fuel")).toBe("cranks");
    expect(u.seen("exercise", "lamp")).toBe("2 flashes, pause");
    expect(u.seen("utility-on", "lamp", "clock:flat")).toBe("1 long 5 short, pause");
    // A clock's own capacitor is nothing to switch off.
    expect(u.machine.sources.map((s) => s.id)).toEqual(["utility", "battery", "engine"]);
  });
  it("the winch proves its motor with the board bypassed, below its voltage; never ohms while it is fed", () => {
    const u = unit("zirvald-bw-15");
    expect(u.seen("bypass", "motor", "DR:dead")).toBe("turns");
    expect(u.seen("bypass", "motor", "motor:open")).toBe("still");
    const volts = u.reads("bypass", "dcv", "P-1", "P-3");
    expect(volts).toBeGreaterThan(5);
    expect(volts).toBeLessThanOrEqual(6);
    const setup = u.machine.setupById.get("bypass")!;
    expect(forbidden(u.machine, setup, makeTest("bypass", "ohms", "P-1", "P-3"))).toMatch(/dead circuit/);
    expect(cautionsFor(u.machine, setup, makeTest("bypass", "dcv", "P-1", "P-3")).join(" ")).toMatch(/Board bypassed/);
    expect(u.exposure("pulling", "dcv", "bat", "bat-minus")).toBe("low voltage");
  });
});

describe("fastening tool, instrument panel, ticket machine", () => {
  it("the instrument panel draws little asleep and more awake, by a clamp for direct current", () => {
    const u = unit("hochkar-ip-4");
    expect(u.reads("asleep", "dcclamp", "clamp-feed")).toBeLessThan(0.005);
    expect(u.reads("key-on", "dcclamp", "clamp-feed")).toBeGreaterThan(0.2);
    expect(u.reads("asleep", "dcclamp", "clamp-feed", undefined, "KW:welded")).toBeGreaterThan(0.2);
    expect(u.seen("key-on", "L1", "L2:burnt-out")).toBe("bright");
    expect(["L1", "L2"].map((l) => u.seen("key-on", l, "RD:open"))).toEqual(["dark", "dark"]);
  });
  it("the ticket machine's code blames a board; an oxidised contact makes the same code", () => {
    const u = unit("perlgrund-tm-3");
    expect(u.seen("up", "screen", "UB:dead")).toBe("E 301");
    expect(u.seen("up", "screen", "L-1:open")).toBe("E 301");
    // The feed that printer, coins and cards share, and their return, make all three numbers at once.
    for (const common of ["H-3:open", "H-4:open"]) expect(u.seen("up", "screen", common)).toBe("E 301 412 523");
    const code = programCodes(u.machine).find((c) => c.id === "301")!;
    expect(code.blames).toBe("printer-board");
  });
  it("the tool's thermal fuse kills it all, and a stuck trigger is told by its lamp", () => {
    const u = unit("tannrast-ft-20");
    expect(u.seen("armed", "lamp", "TF:open")).toBe("dark");
    expect(u.seen("rest", "lamp", "trigger:stuck-closed")).toBe("1 flash, pause");
    expect(u.seen("away", "lamp")).toBe("2 flashes, pause");
  });
});

function programCodes(machine: ReturnType<typeof machineNamed>) {
  return machine.parts.flatMap((p) => (p.fields as { codes?: { id: string; blames?: string }[] }).codes ?? []);
}

// Common practice, no source: ice judges the sensor itself; a resistor of the chart's value at the board's own plug
// judges the input, whatever the sensor and its leads are.
describe("a resistor in place of the sensor", () => {
  const u = unit("kaldruun-uc-80");
  it("makes a board call whose sensor or plug is open, and none whose output is dead", () => {
    for (const [fault, calls] of [
      ["sensor:open", true],
      ["S-1:open", true],
      ["sensor:short", true],
      ["U1:cool-off", false],
      ["K1:contact-open", false],
    ] as const) {
      expect(u.seen("calling", "compressor", fault), fault).toBe("silent");
      expect(u.seen("stand-in", "compressor", fault), fault).toBe(calls ? "runs" : "silent");
    }
  });
  it("is held against the board by its chart: 7.5 kilohms is 15 to 16 degrees of 5 kilohms at 25 with B 3,800", () => {
    const celsius = 1 / (1 / 298.15 + Math.log(7500 / 5000) / 3800) - 273.15;
    expect(celsius).toBeGreaterThan(14);
    expect(celsius).toBeLessThan(17);
  });
  it("is among what was left behind until it is taken out", () => {
    const setup = u.machine.setupById.get("stand-in")!;
    expect(setup.jumpers).toEqual([["S-1.pad", "S-2.pad", 7500]]);
    expect(setup.apart).toEqual(["S"]);
  });
});
