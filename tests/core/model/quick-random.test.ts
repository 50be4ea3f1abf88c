import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { quickMachine } from "../../../src/core/model/quick/quick";
import type { QuickMachine } from "../../../src/core/model/quick/quick-machine";
import { readSupply } from "../../../src/core/model/quick/quick-supply";
import { readItems, readParts } from "../../../src/core/model/quick/read-parts";
import { makeTest, nominalValues, observe, Simulator } from "../../../src/core/simulate";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const SUPPLIES = [
  "100 V 50 Hz",
  "120",
  "230",
  "240 V 60 Hz",
  "120/240 split",
  "400 V 3 phases",
  "208 V 3 phases 60 Hz",
];
const LOW = ["24 VAC", "12 VDC", "24 VDC", "48 VDC", "18 V battery", "36 V battery"];
const GUARDS = ["thermostat", "high limit", "thermal fuse", "pressure switch", "float", "lid switch", "door switch"];
const LOADS = ["heater 900", "pump 40", "fan 15", "valve", "lamp 20", "drum motor 180", "element 2x500", "gas valve"];
const LOW_LOADS = ["pump 15", "fan 5", "valve 6", "lamp 5", "motor 40", "contactor 8"];

/** Words of the trade at random: what a technician may type of a machine. */
function typed(random: () => number, low: boolean, split: boolean): string {
  const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const loads = Array.from({ length: 1 + Math.floor(random() * 4) }, () => {
    let load = one(low ? LOW_LOADS : LOADS);
    if (split && /heater|element/.test(load)) load = `${load} at ${one(["120V", "240V"])}`;
    if (!low && random() < 0.2) load = one(["fan 24V", "valve 24VAC", "pump 12VDC", "lamp 12V", "valve 24VDC"]);
    const through = Array.from({ length: Math.floor(random() * 3) }, () => one(GUARDS));
    if (!low && random() < 0.2 && !/24V|12V/.test(load))
      through.push(one(["SSR", "contactor 24VAC", "contactor 24VDC"]));
    return through.length > 0 ? `${load} through ${through.join(" and ")}` : load;
  });
  if (!low && random() < 0.3)
    loads.push(`compressor 150 with ${one(["PTC start", "PTC start and overload", "overload"])}`);
  if (random() < 0.3) loads.push(one(["NTC 10k", "float", "door switch", "lid switch stops all"]));
  if (random() < 0.2) loads.push("thermal fuse");
  return loads.join(", ");
}

const machines = Array.from({ length: 60 }, (_, seed) => {
  const random = randomSource(seed + 1);
  const low = seed % 4 === 3;
  const list = low ? LOW : SUPPLIES;
  const hangsOn = list[Math.floor(random() * list.length)]!;
  const count = (1 + Math.floor(random() * 3)) as 1 | 2 | 3;
  const boards = { count, volts: [5, 12, 24][Math.floor(random() * 3)]!, wires: 3 + Math.floor(random() * 8) };
  const more: Partial<QuickMachine> = {
    ...(low ? {} : { boards }),
    ...(random() < 0.3 ? { face: { kind: random() < 0.5 ? ("lamp" as const) : ("display" as const), now: null } } : {}),
  };
  const words = typed(random, low, hangsOn.includes("split") || hangsOn.includes("3 phases"));
  return { hangsOn, words, more, fuse: random() < 0.7, filter: !low && random() < 0.4 };
});

const RUNS = ["turns", "runs", "pumps", "flows", "bright", "pulled in", "flame"];

describe("machines drawn at the door at random", () => {
  it.each(machines)("$hangsOn: $words", ({ hangsOn, words, more, fuse, filter }) => {
    const supply = readSupply(hangsOn);
    for (const item of readItems(words, supply)) expect(item.problem, item.text).toBeNull();
    const base = { id: "door", name: "Door", family: "powered equipment" as const };
    const machine = compileMachine(
      quickMachine({ ...base, supply, fuse, filter, ...readParts(words, supply), ...more }),
    );
    const simulator = new Simulator(machine);
    for (const [setup, asked] of [
      ["asked", true],
      ["unplugged", false],
    ] as const) {
      const state = simulator.energise(machine.setupById.get(setup)!, [], nominalValues(machine));
      for (const part of machine.parts.filter((p) => /^load-\d+$/.test(p.id))) {
        simulator.circuit.load(state, state.phases.at(-1)!);
        const { ac, dc } = simulator.circuit.elementCurrent(part.firstElement);
        const shown = part.labels ? observe(simulator, state, makeTest(setup, "look", part.id), ORDINARY_METER) : null;
        const works = shown?.kind === "label" ? RUNS.includes(shown.label) : ac > 0.05 || Math.abs(dc) > 0.05;
        expect(works, `${setup} ${part.id} ${JSON.stringify(shown)} ${ac} ${dc}`).toBe(asked);
      }
    }
  });

  it("are searched to the broken assembly by what they show", () => {
    const wrong: string[] = [];
    let all = 0;
    for (const [n, { hangsOn, words, more, fuse, filter }] of machines.entries()) {
      if (n % 5 !== 0) continue;
      const supply = readSupply(hangsOn);
      const base = { id: "door", name: "Door", family: "powered equipment" as const };
      const machine = compileMachine(
        quickMachine({ ...base, supply, fuse, filter, ...readParts(words, supply), ...more }),
      );
      const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
      dictionary.build();
      const random = randomSource(n + 7);
      const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" ? [h] : []));
      for (let k = 0; k < 12; k++) {
        const h = faults[Math.floor(random() * faults.length)]!;
        const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
        if (unit.looksSound()) continue;
        all++;
        const run = search(dictionary, unit, "advice");
        if (run.assemblies.length !== 1 || run.assemblies[0] !== h.assembly)
          wrong.push(`${hangsOn}: ${words}: ${h.id} ends at ${run.assemblies.join(", ")}`);
      }
    }
    console.log(
      `${all - wrong.length} of ${all} faults of machines drawn at random end at their assembly; ${wrong.join("; ")}`,
    );
    expect(all).toBeGreaterThan(60);
    expect((all - wrong.length) / all, wrong.join("; ")).toBeGreaterThan(0.95);
  });

  it("never fails on what is no machine: it says so, thing by thing", () => {
    const random = randomSource(99);
    const pieces = [
      "heater",
      "2x",
      "through",
      "230V",
      "24",
      "VAC",
      ",",
      ";",
      "x",
      "with",
      "stops",
      "from",
      "at",
      "9e9",
      "Ω",
      "-5",
      "''",
      "contactor",
      "SSR",
      "NTC",
      "\n",
    ];
    for (let k = 0; k < 3000; k++) {
      const text = Array.from(
        { length: 1 + Math.floor(random() * 7) },
        () => pieces[Math.floor(random() * pieces.length)],
      ).join(random() < 0.5 ? " " : "");
      for (const hangsOn of ["230", "24 VAC", "400 V 3 phases"])
        for (const item of readItems(text, readSupply(hangsOn)))
          expect(item.problem !== null || item.loads.length > 0 || item.sensor !== null || item.inLine !== null).toBe(
            true,
          );
    }
  });
});
