import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { readMachineYaml, writeMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { checkpointsTo, quickMachine } from "../../../src/core/model/quick/quick";
import { readSupply } from "../../../src/core/model/quick/quick-supply";
import { readParts } from "../../../src/core/model/quick/read-parts";
import { nominalValues, Simulator } from "../../../src/core/simulate";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";

/** What is typed at a plain mains of so many volts. */
const readLoads = (text: string, volts: number) => readParts(text, readSupply(String(volts))).loads;

const dryer = quickMachine({
  id: "dryer",
  name: "Tumble dryer",
  family: "dryer",
  supply: { kind: "mains", volts: 120, hertz: 60 },
  filter: true,
  fuse: true,
  loads: readLoads("heater 1500, drum motor 250W, fan 0.3A", 120),
});

describe("loads as a technician names them", () => {
  it("reads watts, amperes, ohms and a bare number", () => {
    expect(readLoads("heater 1800, pump 0.5A; element 44 ohm\nfan", 120)).toEqual([
      { name: "Heater", kind: "heater", watts: 1800 },
      { name: "Pump", kind: "pump", watts: 60 },
      { name: "Element", kind: "heater", watts: 120 ** 2 / 44 },
      { name: "Fan", kind: "fan", watts: 25 },
    ]);
    expect(readLoads("compressor 1,3A", 230)[0]).toMatchObject({
      kind: "compressor",
      watts: expect.closeTo(299, 6) as number,
    });
    expect(readLoads("boiler 2kW", 230)[0]!.watts).toBe(2000);
  });
  it.each([
    ["", "at least one load"],
    ["1800", "names no load"],
    ["heater 90kW", "no load of such a machine"],
    [Array.from({ length: 9 }, (_, i) => `fan ${i + 5}`).join(","), "Eight loads"],
  ])("says what is wrong with %j", (text, sentence) => {
    expect(() => readLoads(text, 120)).toThrow(sentence);
  });
});

describe("a machine without a file", () => {
  it("becomes a small machine file that is written and read like any other", () => {
    const text = writeMachineYaml(dryer);
    expect(readMachineYaml(text, "dryer.yaml").file).toEqual(dryer);
  });

  it("names its checkpoints in order, mains at each and the load's current at the end", () => {
    const loads = readLoads("heater 1800, fan 0.3A", 120);
    const to = checkpointsTo(
      {
        id: "x",
        name: "x",
        family: "dryer",
        supply: { kind: "mains", volts: 120, hertz: 60 },
        filter: true,
        fuse: true,
        loads,
      },
      1,
    );
    expect(to.map((c) => c.name)).toEqual([
      "Plug, line pin",
      "Filter, line in",
      "Board in, line",
      "Fuse, board end",
      "Relay out, heater",
      "Heater, feed terminal",
      "Heater, running",
    ]);
    expect(to[0]!.expect).toBe("113 to 127 V AC");
    expect(to[to.length - 1]!.expect).toBe("about 15 A");
  });

  it("gets the same isolation: every fault at the door ends at its piece or among those no test tells apart", () => {
    const dictionary = FaultDictionary.of(compileMachine(dryer), ORDINARY_METER);
    dictionary.build();
    const random = randomSource(3);
    for (const id of [
      "outlet:dead",
      "cord:line-open",
      "filter:neutral-open",
      "fuse:blown",
      "relay-1:contact-open",
      "wire-1:open",
      "load-1:open",
      "load-2:open",
      "wire-N:open",
    ]) {
      const h = dictionary.hypotheses.find((x) => x.id === id)!;
      if (h.kind !== "fault") throw new Error(id);
      const run = search(
        dictionary,
        new UnitOnTheBench(dictionary.machine, [h.fault], randomValues(dictionary.machine, random), random),
        "advice",
      );
      expect(run.assemblies, id).toEqual([h.assembly]);
      expect(run.readings, id).toBeLessThanOrEqual(12);
    }
  });
});

describe("loads in the words of the trade", () => {
  it("has what lies in the lead, from the board on", () => {
    expect(readLoads("heater 2200 through thermostat and high limit, pump 0.4A through pressure switch", 230)).toEqual([
      {
        name: "Heater",
        kind: "heater",
        watts: 2200,
        through: [
          { name: "Thermostat", kind: "thermostat" },
          { name: "High limit", kind: "thermal cut-off" },
        ],
      },
      { name: "Pump", kind: "pump", watts: 92, through: [{ name: "Pressure switch", kind: "pressure switch" }] },
    ]);
  });

  it("counts several alike, and turns watts at other volts into those at its own (by Ohm's law)", () => {
    const elements = readLoads("element 3x2000 at 230V", 230);
    expect(elements.map((e) => [e.name, e.watts])).toEqual([
      ["Element 1", 2000],
      ["Element 2", 2000],
      ["Element 3", 2000],
    ]);
    // 2000 W at 240 V are 28.8 ohm; at 120 V they take 500 W.
    expect(readLoads("element 2000 at 240V", 120)[0]!.watts).toBeCloseTo(500, 9);
  });

  it.each([
    ["microwave 900", /not modelled/],
    ["flux thing 900", /no load that is known/],
    ["heater 900 through magic box", /nothing that is known in a lead/],
    ["heater 900 through", /through what/],
    ["heater 0x900", /no number/],
  ])("%s is refused by a sentence, and nothing is guessed", (text, sentence) => {
    expect(() => readLoads(text, 230)).toThrow(sentence);
  });

  const file = quickMachine({
    id: "quick-1",
    name: "Tea urn",
    family: "dishwasher",
    supply: { kind: "mains", volts: 230, hertz: 50 },
    filter: false,
    fuse: true,
    loads: readLoads("heater 2200 through thermostat and high limit; pump 40 through float and lid switch", 230),
  });
  const machine = compileMachine(file);

  it("makes a machine in which every load runs when it is asked to, and a guard that is open keeps its own off", () => {
    const simulator = new Simulator(machine);
    const values = nominalValues(machine);
    const amps = (faults: readonly { part: string; mode: string }[], part: string) => {
      const state = simulator.energise(machine.setupById.get("asked")!, faults, values);
      simulator.circuit.load(state, state.phases.at(-1)!);
      const { ac } = simulator.circuit.elementCurrent(machine.partById.get(part)!.firstElement);
      return ac;
    };
    // 2200 W at 230 V.
    expect(amps([], "load-1")).toBeCloseTo(2200 / 230, 0);
    expect(amps([], "load-2")).toBeGreaterThan(0.1);
    for (const guard of [
      { part: "guard-1-1", mode: "stuck-open" },
      { part: "guard-1-2", mode: "open" },
    ]) {
      expect(amps([guard], "load-1")).toBeLessThan(0.01);
      expect(amps([guard], "load-2")).toBeGreaterThan(0.1);
    }
    expect(amps([{ part: "guard-2-2", mode: "stuck-open" }], "load-2")).toBeLessThan(0.01);
  });

  it("has a spot on the board's side of each, in the order of the lead", () => {
    const stops = checkpointsTo(
      {
        id: "q",
        name: "q",
        family: "dryer",
        supply: { kind: "mains", volts: 230, hertz: 50 },
        filter: false,
        fuse: false,
        loads: readLoads("heater 2000 through thermostat and thermal fuse", 230),
      },
      1,
    ).map((c) => c.name);
    const at = (words: RegExp) => stops.findIndex((s) => words.test(s));
    expect(at(/Thermostat/)).toBeGreaterThan(at(/Relay out/));
    expect(at(/Thermal fuse/)).toBeGreaterThan(at(/Thermostat/));
    expect(at(/feed terminal/)).toBeGreaterThan(at(/Thermal fuse/));
  });
});
