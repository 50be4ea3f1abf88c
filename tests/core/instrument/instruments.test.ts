import { describe, expect, test } from "vitest";
import { ORDINARY_METER, unitOf } from "../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { cautionsFor, forbidden } from "../../../src/core/safety/rules";
import { candidateTests } from "../../../src/core/diagnose/dictionary/candidates";
import { ALL_EQUIPMENT, canMake } from "../../../src/core/diagnose/planning/equipment";
import { readingText } from "../../../src/core/quantity/format";
import { parseReading } from "../../../src/core/quantity/read";
import { Simulator } from "../../../src/core/simulate/energise";
import { observe } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues } from "../../../src/core/simulate/values";
import type { Fault } from "../../../src/core/model/fault";

/** A cord feeds a capacitor motor through its clamp point; the capacitor has points on both ends. */
const FAN = `
format: 1
id: fan
revision: "1"
maker: Nobody
model: Test
name: Fan
family: powered equipment
supply: { volts: 230, hertz: 50, percent: 6 }
pieces:
  - { id: house, name: House, repair: Call an electrician, minutes: 1, price: 0 }
  - { id: cord, name: Cord, repair: Replace, minutes: 5, price: 5 }
  - { id: motor, name: Motor, repair: Replace, minutes: 20, price: 20 }
  - { id: cap, name: Capacitor, repair: Replace, minutes: 5, price: 5 }
parts:
  - { id: outlet, kind: outlet, name: Outlet, piece: house, at: { line: plug-L, neutral: plug-N, earth: plug-E } }
  - { id: cord, kind: cord, name: Cord, piece: cord, at: { line-pin: plug-L, neutral-pin: plug-N, earth-pin: plug-E, line: L, neutral: N, earth: body } }
  - { id: C1, kind: run capacitor, name: Capacitor, piece: cap, farads: 8e-6, at: { a: L, b: aux } }
  - { id: M1, kind: capacitor motor, name: Motor, piece: motor, volts: 230, amps: 1.5, mainOhms: 20, startOhms: 35, at: { main: L, start: aux, common: N, case: body } }
points:
  - { id: plug-line, name: Plug line, net: plug-L }
  - { id: plug-neutral, name: Plug neutral, net: plug-N }
  - { id: plug-earth, name: Plug earth, net: plug-E }
  - { id: in-L, name: Line in, net: L }
  - { id: in-N, name: Neutral in, net: N }
  - { id: cap-b, name: Capacitor far end, net: aux }
  - { id: body, name: Body, net: body }
clamps:
  - { id: feed, name: Line lead, part: cord, element: 0 }
references:
  - { name: neutral, points: [in-N, plug-neutral] }
  - { name: chassis, points: [body, plug-earth] }
setups:
  - { id: "on", name: Plugged in, power: "on", how: Plug in. }
  - { id: "off", name: Unplugged, power: "off", how: Pull the plug. }
paths:
  - { id: main, name: Plug to motor, stages: [ { at: [in-L, in-N] }, { box: Motor, parts: [M1] } ] }
complaints:
  - { id: still, words: Stands still, setup: "on", path: main }
`;

const { machine } = readMachineYaml(FAN, "fan.yaml");
const simulator = new Simulator(machine);
function shown(
  setup: string,
  fn: Parameters<typeof makeTest>[1],
  red: string,
  black?: string,
  faults: readonly Fault[] = [],
) {
  const state = simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine));
  return observe(simulator, state, makeTest(setup, fn, red, black), ORDINARY_METER);
}
const value = (...of: Parameters<typeof shown>) => {
  const s = shown(...of);
  if (s.kind !== "value") throw new Error(`shows ${s.kind}`);
  return s.value;
};

test("capacitance, dead: with a lead lifted the meter reads what is printed; an open one nothing; a short is no reading", () => {
  expect(value("off", "capacitance", "in-L", "cap-b", [{ part: "M1", mode: "start-open" }])).toBeCloseTo(8e-6, 7);
  expect(
    value("off", "capacitance", "in-L", "cap-b", [
      { part: "M1", mode: "start-open" },
      { part: "C1", mode: "open" },
    ]),
  ).toBeLessThan(1e-9);
  expect(shown("off", "capacitance", "in-L", "cap-b", [{ part: "C1", mode: "shorted" }]).kind).toBe("overload");
});

test("inrush is the current of a rotor at rest, of which the run capacitor holds back the auxiliary winding's share", () => {
  const runs = value("on", "clamp", "feed");
  const starts = value("on", "inrush", "feed");
  // Three to five times (common practice, no source): five for a winding alone, less for the one behind a capacitor.
  expect(starts / runs).toBeGreaterThan(3);
  expect(starts / runs).toBeLessThan(5.5);
  expect(value("on", "clamp", "feed")).toBe(runs);
  // A seized one never leaves it: both clamps agree.
  expect(value("on", "inrush", "feed", undefined, [{ part: "M1", mode: "seized" }])).toBeCloseTo(
    value("on", "clamp", "feed", undefined, [{ part: "M1", mode: "seized" }]),
    6,
  );
});

test("frequency is that of the line, and nothing where there is no alternating voltage", () => {
  expect(value("on", "hertz", "in-L", "in-N")).toBe(50);
  expect(value("on", "hertz", "in-L", "in-N", [{ part: "cord", mode: "line-open" }])).toBe(0);
});

test("insulation to the metalwork: megohms when sound, kilohms when a winding leaks", () => {
  // 1 megohm to 1 gigohm: common practice, no source.
  expect(value("off", "insulation", "in-N", "body")).toBeGreaterThan(1e6);
  expect(value("off", "insulation", "in-N", "body")).toBeLessThan(1e9);
  expect(value("off", "insulation", "in-N", "body", [{ part: "M1", mode: "to-case" }])).toBeLessThan(1e5);
});

describe("what may be asked", () => {
  const offered = candidateTests(machine);
  const setup = (id: string) => machine.setupById.get(id)!;
  test("each function where it belongs, and only for who has the tool", () => {
    const all = new Set(offered.map((t) => t.function));
    expect([...all]).toEqual(expect.arrayContaining(["inrush", "capacitance", "insulation"]));
    for (const tool of ["inrush", "capacitance", "insulation"] as const)
      for (const t of offered)
        expect(canMake(machine, t, { ...ALL_EQUIPMENT, [tool]: false })).toBe(t.function !== tool);
  });
  test("capacitance and insulation never live, insulation only from mains to metalwork, each with its caution", () => {
    expect(forbidden(machine, setup("on"), makeTest("on", "capacitance", "in-L", "cap-b"))).toContain("dead circuit");
    expect(forbidden(machine, setup("on"), makeTest("on", "insulation", "in-L", "body"))).toContain("dead circuit");
    expect(forbidden(machine, setup("off"), makeTest("off", "insulation", "in-L", "in-N"))).toContain(
      "kills electronics",
    );
    expect(forbidden(machine, setup("off"), makeTest("off", "insulation", "in-L", "body"))).toBeNull();
    expect(forbidden(machine, setup("off"), makeTest("off", "inrush", "feed"))).toContain("needs power");
    expect(cautionsFor(machine, setup("off"), makeTest("off", "capacitance", "in-L", "cap-b")).join(" ")).toContain(
      "discharge it through a resistor",
    );
    expect(cautionsFor(machine, setup("off"), makeTest("off", "insulation", "in-L", "body")).join(" ")).toContain(
      "500 V",
    );
  });
});

test("farads and hertz are read as they are typed, shown with a prefix, and refused below nothing", () => {
  expect(parseReading("8.1u", "F")).toEqual({ ok: true, shown: { kind: "value", value: expect.closeTo(8.1e-6, 12) } });
  expect(parseReading("7,9 µF", "F")).toEqual({
    ok: true,
    shown: { kind: "value", value: expect.closeTo(7.9e-6, 12) },
  });
  expect(parseReading("50 Hz", "Hz")).toEqual({ ok: true, shown: { kind: "value", value: 50 } });
  expect(parseReading("-3", "F").ok).toBe(false);
  expect(parseReading("5 V", "F")).toMatchObject({ ok: false, sentence: expect.stringContaining("volts") });
  expect(readingText({ kind: "value", value: 8e-6 }, unitOf("capacitance"))).toBe("8.00 µF");
  expect(readingText({ kind: "value", value: 50 }, unitOf("hertz"))).toBe("50.0 Hz");
});
