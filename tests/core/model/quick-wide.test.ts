import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { compileMachine } from "../../../src/core/model/compile/compile";
import type { Machine } from "../../../src/core/model/machine";
import { checkpointsTo, quickMachine } from "../../../src/core/model/quick/quick";
import type { QuickMachine } from "../../../src/core/model/quick/quick-machine";
import { readSupply, supplyWords } from "../../../src/core/model/quick/quick-supply";
import { readItems, readParts, takenFor } from "../../../src/core/model/quick/read-parts";
import { makeTest, nominalValues, observe, Simulator } from "../../../src/core/simulate";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

function sketch(supply: string, text: string, more: Partial<QuickMachine> = {}): QuickMachine {
  const read = readSupply(supply);
  const base = { id: "door", name: "Door", family: "powered equipment" as const, filter: false, fuse: true };
  return { ...base, supply: read, ...readParts(text, read), ...more };
}
const drawn = (...typed: Parameters<typeof sketch>) => compileMachine(quickMachine(sketch(...typed)));

/** What each load is seen to do, asked to run; heaters by whether they take current. */
function running(machine: Machine, faults: readonly { part: string; mode: string }[] = [], setup = "asked") {
  const simulator = new Simulator(machine);
  const state = simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine));
  return Object.fromEntries(
    machine.parts
      .filter((p) => /^load-\d+$/.test(p.id))
      .map((p) => {
        simulator.circuit.load(state, state.phases.at(-1)!);
        const { ac, dc } = simulator.circuit.elementCurrent(p.firstElement);
        if (!p.labels) return [p.id, ac > 0.05 || Math.abs(dc) > 0.05 ? "heats" : "cold"];
        const shown = observe(simulator, state, makeTest(setup, "look", p.id), ORDINARY_METER);
        return [p.id, shown.kind === "label" ? shown.label : "?"];
      }),
  );
}

describe("what a machine hangs on", () => {
  it.each([
    ["230", "Mains, 230 V, 50 Hz"],
    ["120", "Mains, 120 V, 60 Hz"],
    ["100 V 50 Hz", "Mains, 100 V, 50 Hz"],
    ["240 V 60 Hz", "Mains, 240 V, 60 Hz"],
    ["120/240 split", "Split phase, 120 V a leg, 240 V between, 60 Hz"],
    ["240/120", "Split phase, 120 V a leg, 240 V between, 60 Hz"],
    ["400 V 3 phases", "Three phases, 400 V between lines, 231 V to neutral, 50 Hz"],
    ["230/400", "Three phases, 400 V between lines, 231 V to neutral, 50 Hz"],
    ["3~ 208 60Hz", "Three phases, 208 V between lines, 120 V to neutral, 60 Hz"],
    ["24 VAC 50 Hz", "24 V AC from outside, 50 Hz"],
    ["48 V DC", "48 V DC from outside"],
    ["12VDC", "12 V DC from outside"],
    ["18 V battery", "Battery, 18 V"],
    ["battery pack 36", "Battery, 36 V"],
  ])("%s is %s", (text, words) => {
    expect(supplyWords(readSupply(text))).toBe(words);
  });
  it.each([
    ["", "How many volts"],
    ["mains", "How many volts"],
    ["24", "AC or DC"],
    ["100", "50 or 60 Hz"],
    ["230 V 400 Hz", "50 or 60 Hz"],
    ["72 V battery", "more than 60 V"],
    ["110 VDC", "more than 60 V"],
    ["70", "no mains"],
    ["3 phases 900", "no three-phase"],
  ])("%j is refused with a sentence, or leaves a question open", (text, sentence) => {
    expect(() => readSupply(text)).toThrow(sentence);
  });
});

describe("the words of the trade", () => {
  const mains = readSupply("230");
  it.each([
    ["heater 2200 through thermostat and high limit", "Heater 2200 W, through thermostat + high limit"],
    ["fan 24V from board", "Fan 5 W, 24 V DC from the board"],
    ["compressor with PTC start, overload, start cap", "started by PTC + overload + start capacitor"],
    ["igniter", "Igniter 300 W"],
    ["inlet valve 24VAC", "Inlet valve 8 W, 24 V AC from a transformer"],
    ["pump 24VDC 15W", "Pump 15 W, 24 V DC from the board"],
    ["lid switch stops heater", "Lid switch, open it stops heater"],
    ["thermal fuse", "Thermal fuse, in the line to all loads"],
    ["oven thermostat", "Oven thermostat, in the line to all loads"],
    ["contactor 24VAC", "Contactor 8 W, 24 V AC from a transformer"],
    ["element 2000 through contactor 24VAC", "through contactor"],
    ["heater 2000 through SSR", "through solid-state relay"],
    ["flame sensor", "Flame sensor, told to the board"],
    ["NTC 5k", "NTC, 5000 ohm at 25 °C"],
    ["gas valve", "Gas valve 10 W"],
    ["element 3x2000 at 230V", "3 times Element 2000 W"],
    ["2 heaters 500W", "2 times Heater 500 W"],
    ["heater 1.5kW/230V", "Heater 1500 W"],
    ["heater 1kW thru SSR", "Heater 1000 W, through solid-state relay"],
  ])("%s", (text, words) => {
    const [item] = readItems(text, mains);
    expect(item!.problem).toBeNull();
    expect(takenFor(item!)).toContain(words);
  });
  it.each([
    ["pump 24V", "AC or DC"],
    ["element 2000 through contactor", "which volts has its coil"],
    ["element 2000 through contactor 24V", "AC or DC"],
    ["SSR", "what does it switch"],
    ["heater 900W 4A spare", "is no number"],
    ["motor 3 phase 750W through contactor 230V", "needs three phases"],
    ["heater 900 with PTC start", "Only a compressor"],
    ["compressor with magic", "starts nothing that is known"],
    ["fan 24V from space", "from board or from transformer"],
    ["microwave 900", "not modelled"],
    ["spark module", "not modelled"],
    ["flux thing 900", "no load that is known"],
  ])("%s is not guessed at", (text, sentence) => {
    expect(readItems(text, mains)[0]!.problem).toContain(sentence);
  });
  it("keeps what is not understood in its place, beside what is", () => {
    const items = readItems("heater 2000, flux thing, pump 60", mains);
    expect(items.map((i) => i.problem === null)).toEqual([true, false, true]);
    expect(() => readParts("heater 2000, flux thing, pump 60", mains)).toThrow("flux thing");
    expect(() => readParts("heater 2000, lid switch stops drum", mains)).toThrow('Stops "drum"');
  });
  it("asks for the volts of a heater on two lines, and takes them", () => {
    const split = readSupply("120/240 split");
    expect(readItems("heater 5000", split)[0]!.problem).toContain("120 V or 240 V");
    expect(readParts("heater 5000 at 240V", split).loads[0]!.feed).toEqual({ from: "both lines", volts: 240 });
    expect(readParts("heater 500 at 120V", split).loads[0]!.feed).toBeUndefined();
  });
});

/** Machines of every supply and sort of switch; each is asked to run. */
const WIDE: readonly (readonly [string, string, Partial<QuickMachine>, Readonly<Record<string, string>>])[] = [
  ["230", "heater 2200, pump 60, fan 20", {}, { "load-1": "heats", "load-2": "pumps", "load-3": "runs" }],
  [
    "120",
    "compressor 130 with PTC start, overload, start cap; fan 12V 3W from board; valve 24VAC",
    {},
    { "load-1": "runs", "load-2": "runs", "load-3": "flows" },
  ],
  ["120", "compressor 200 with PTC start and run cap", {}, { "load-1": "runs" }],
  [
    "400 V 3 phases",
    "element 3x2000 at 230V through contactor 24VAC, motor 3 phase 750W through contactor 230V",
    {},
    { "load-1": "heats", "load-2": "heats", "load-3": "heats", "load-4": "turns" },
  ],
  ["120/240 split", "heater 5000 at 240V, drum motor 250", {}, { "load-1": "heats", "load-2": "turns" }],
  ["24 VAC", "valve 8, contactor 10", {}, { "load-1": "flows", "load-2": "pulled in" }],
  ["24 VDC", "pump 60, fan 5, lamp 10", {}, { "load-1": "pumps", "load-2": "runs", "load-3": "bright" }],
  ["18 V battery", "motor 200 through lid switch", {}, { "load-1": "turns" }],
  [
    "230",
    "heater 2000 through SSR, pump 60",
    { boards: { count: 3, volts: 12, wires: 8 } },
    { "load-1": "heats", "load-2": "pumps" },
  ],
  [
    "230",
    "heater 2000, pump 60",
    { boards: { count: 3, volts: 5, wires: 3 } },
    { "load-1": "heats", "load-2": "pumps" },
  ],
  ["120", "igniter through flame sensor, gas valve", {}, { "load-1": "heats", "load-2": "flame" }],
];

describe("a machine drawn at the door", () => {
  it.each(WIDE)("%s: %s runs when it is asked to, and not when it is fed nothing", (supply, text, more, does) => {
    const machine = drawn(supply, text, more);
    expect(running(machine)).toEqual(does);
    for (const label of Object.values(running(machine, [], "unplugged")))
      expect(["cold", "silent", "still", "shut", "dark", "at rest", "no flame", "turns freely"]).toContain(label);
  });

  it("stands still where what stops it is open, and only that", () => {
    const machine = drawn("230", "heater 2000, motor 250, pump 60, lid switch stops motor and pump");
    const open = running(machine, [{ part: "sensor-1", mode: "stuck-open" }]);
    expect(open).toEqual({ "load-1": "heats", "load-2": "still", "load-3": "silent" });
  });

  it("loses with one wire of a link one load where each has its own, all where they talk in series", () => {
    const own = drawn("230", "heater 2000, pump 60", { boards: { count: 3, volts: 12, wires: 8 } });
    expect(running(own, [{ part: "link-4", mode: "open" }])).toEqual({ "load-1": "heats", "load-2": "silent" });
    const serial = drawn("230", "heater 2000, pump 60", { boards: { count: 3, volts: 12, wires: 3 } });
    expect(running(serial, [{ part: "link-3", mode: "open" }])).toEqual({ "load-1": "cold", "load-2": "silent" });
  });

  it("is stopped by its door though its boards talk in series: the door is told to the board that switches", () => {
    const serial = { boards: { count: 3, volts: 12, wires: 3 } } as const;
    const machine = drawn("230", "heater 2000, motor 250, pump 60, lid switch stops motor and pump", serial);
    expect(running(machine)).toEqual({ "load-1": "heats", "load-2": "turns", "load-3": "pumps" });
    const open = running(machine, [{ part: "sensor-1", mode: "stuck-open" }]);
    expect(open).toEqual({ "load-1": "heats", "load-2": "still", "load-3": "silent" });
  });

  it.each([
    ["230", "compressor 450 with run capacitor"],
    ["120", "compressor 150 with run capacitor and overload"],
    ["230", "compressor 150 with PTC start, overload, run capacitor"],
  ])("%s: %s starts, and hums without its capacitor or starter", (supply, text) => {
    const machine = drawn(supply, text);
    expect(running(machine)).toMatchObject({ "load-1": "runs" });
    const by = machine.parts.find(
      (p) => /^load-1-(?:ptc|run)/.test(p.id) && p.id.endsWith(text.includes("PTC") ? "ptc" : "capacitor"),
    )!;
    expect(running(machine, [{ part: by.id, mode: "open" }])).toMatchObject({ "load-1": "hums" });
  });

  it("has its second line live with its relay at rest, and says so", () => {
    const file = quickMachine(sketch("120/240 split", "heater 5000 at 240V"));
    expect(file.cautions.join(" ")).toContain("the others stay live");
    const machine = compileMachine(file);
    const simulator = new Simulator(machine);
    const fault = [{ part: "relay-1", mode: "contact-open" }];
    const state = simulator.energise(machine.setupById.get("asked")!, fault, nominalValues(machine));
    const shown = observe(simulator, state, makeTest("asked", "acv", "load-1-feed", "chassis"), ORDINARY_METER);
    expect(shown.kind === "value" && shown.value).toBeGreaterThan(100);
  });

  it("names the checkpoints of a contactor: its coil's volts, then its load's", () => {
    const stops = checkpointsTo(sketch("230", "element 2000 through contactor 24VAC"), 1);
    const of = (name: RegExp) => stops.find((s) => name.test(s.name))!.expect;
    expect(of(/coil/)).toBe("22.6 to 25.4 V AC");
    expect(of(/Element, feed/)).toBe("216 to 244 V AC");
  });

  it.each([
    ["400 V 3 phases", "element 3x2000 at 230V through contactor 24VAC, pump 60"],
    ["230", "heater 2000 through SSR and thermal fuse, valve 24VAC, fan 24V from board, lid switch stops heater"],
    ["12 VDC", "pump 60, fan 5, motor 120, lamp 10"],
  ])("%s: %s: every fault that shows is found at its assembly", (supply, text) => {
    const machine = drawn(supply, text);
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const random = randomSource(11);
    let found = 0;
    for (const h of dictionary.hypotheses) {
      if (h.kind !== "fault") continue;
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      if (unit.looksSound()) continue;
      expect(search(dictionary, unit, "advice").assemblies, h.id).toEqual([h.assembly]);
      found++;
    }
    expect(found).toBeGreaterThan(15);
  });
});
