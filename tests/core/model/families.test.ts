import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { askedQuestions, type Family, wholeAnswers } from "../../../src/core/model/family/family";
import { familyMachine } from "../../../src/core/model/family/family-machine";
import { assumedIn, seenByTests, withSeen } from "../../../src/core/model/family/seen";
import { FAMILIES } from "../../../src/core/model/families";
import { typedFamily } from "../../../src/core/model/family/typed-family";
import { KNOWN_FAMILIES } from "../../../src/core/model/family/families-known";
import type { Machine } from "../../../src/core/model/machine";
import { readMachineYaml, writeMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { familyFunctions } from "../../../src/core/repair/family-functions";
import { makeTest, nominalValues, observe, Simulator } from "../../../src/core/simulate";
import { search } from "../../support/isolate-unit";
import { DOES, STILL } from "../../support/what-families-do";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const PLATE = { id: "drawn", maker: "Nobody", model: "One" };

/** Amperes under which nothing is heated or turned. */
const NOTHING = 0.02;

/** Answers drawn at random, each question's among its choices. */
function drawn(family: Family, seed: number): { readonly supply: string; readonly answers: Record<string, string> } {
  const random = randomSource(seed * 31 + 5);
  const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const answers: Record<string, string> = {};
  for (const q of family.questions)
    if (askedQuestions(family, wholeAnswers(family, answers)).includes(q)) answers[q.id] = one(Object.keys(q.choices));
  return { supply: one(family.supplies), answers };
}

function machineOf(family: Family, seed: number): Machine {
  const { supply, answers } = drawn(family, seed);
  return compileMachine(familyMachine(family, { ...PLATE, supply }, answers));
}

/** What runs in a state, by name: seen, or by its current. */
function running(machine: Machine, simulator: Simulator, setup: string): ReadonlyMap<string, boolean> {
  const state = simulator.energise(machine.setupById.get(setup)!, [], nominalValues(machine));
  return new Map(
    machine.parts
      .filter((p) => /^(?:load-\d+|engine)$/.test(p.id))
      .map((part) => {
        simulator.circuit.load(state, state.phases.at(-1)!);
        const { ac, dc } = simulator.circuit.elementCurrent(part.firstElement);
        if (!part.labels) return [part.name, Math.hypot(ac, dc) > NOTHING] as const;
        const shown = observe(simulator, state, makeTest(setup, "look", part.id), ORDINARY_METER);
        if (shown.kind !== "label") throw new Error(part.name);
        return [part.name, !STILL.includes(shown.label) && shown.label !== "hums"] as const;
      }),
  );
}

/** Whether every load that a clamp goes round draws what it does in a sound machine: a heater cannot be looked at. */
function drawsAsSound(machine: Machine, unit: UnitOnTheBench, random: () => number): boolean {
  const sound = new UnitOnTheBench(machine, [], unit.values, random);
  return machine.file.setups
    .filter((s) => s.power === "on")
    .every((s) =>
      machine.file.clamps.every((c) => {
        const [own, its] = [unit, sound].map((u) => u.read(makeTest(s.id, "clamp", c.id)));
        if (own!.kind !== "value" || its!.kind !== "value") return own!.kind === its!.kind;
        return Math.abs(own!.value - its!.value) < 0.15 + 0.3 * its!.value;
      }),
    );
}

describe.each(KNOWN_FAMILIES.map((f) => [f.id, f] as const))("a file of the family %s", (id, family) => {
  it("runs in every state what should, and nothing else, for twenty answers drawn at random", () => {
    let states = 0;
    for (let seed = 0; seed < 20; seed++) {
      const machine = machineOf(family, seed);
      const simulator = new Simulator(machine);
      for (const { id: setup, power } of machine.file.setups) {
        const should = power === "off" ? [] : DOES[id]![setup];
        expect(should, `${id} ${setup}`).toBeDefined();
        for (const [name, runs] of running(machine, simulator, setup))
          expect(runs, `${JSON.stringify(drawn(family, seed))} ${setup} ${name}`).toBe(
            should!.some((p) => p.test(name)),
          );
        states++;
      }
    }
    expect(states).toBeGreaterThan(60);
  });

  it("is written and read like any other, everything in it marked as assumed", () => {
    const { file } = machineOf(family, 3);
    const again = readMachineYaml(writeMachineYaml(file), "drawn").file;
    expect(again).toEqual(file);
    const drawnParts = file.parts.map((p) => (p as unknown as { id: string }).id);
    expect(file.assumed).toEqual(expect.arrayContaining(drawnParts));
    expect(file.assumed).toEqual(expect.arrayContaining(file.connectors.map((c) => c.id)));
  });

  it("is proven by functions of its own row", () => {
    for (let seed = 0; seed < 5; seed++) {
      const machine = machineOf(family, seed);
      const known = familyFunctions(machine).map((f) => f.id);
      if (id === "cooker") expect(known).toEqual([]);
      else expect(known.length).toBeGreaterThan(4);
      for (const f of machine.file.functions) expect(known, `${id} ${f.of}`).toContain(f.of);
    }
  });

  it("isolates what breaks in it", () => {
    const wrong: string[] = [];
    let all = 0;
    const machine = machineOf(family, 1);
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const random = randomSource(41);
    const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" ? [h] : []));
    for (let k = 0; k < 16; k++) {
      const h = faults[Math.floor(random() * faults.length)]!;
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      if (unit.looksSound() && drawsAsSound(machine, unit, random)) continue;
      all++;
      const { assemblies } = search(dictionary, unit, "advice");
      if (assemblies.length !== 1 || assemblies[0] !== h.assembly)
        wrong.push(`${h.id} ends at ${assemblies.join(", ")}`);
    }
    console.log(`${id}: ${all - wrong.length} of ${all} faults end at their assembly ${wrong.join("; ")}`);
    expect(all).toBeGreaterThan(3);
    expect((all - wrong.length) / all, wrong.join("; ")).toBeGreaterThanOrEqual(0.9);
  });
});

describe("a machine of no known family", () => {
  const text =
    "heater 2000 through high limit, pump 60, fan 24V 5W from board, lid switch stops heater and pump, NTC 10k";

  it("is made of what is typed, with the usual plugs, all of it assumed", () => {
    const file = familyMachine(typedFamily(text, "powered equipment"), { ...PLATE, supply: "230" }, { filter: "yes" });
    const machine = compileMachine(file);
    expect(file.connectors.map((c) => c.id)).toEqual(["J2", "J3", "J4"]);
    expect(file.assumed!.length).toBeGreaterThan(15);
    const works = running(machine, new Simulator(machine), "asked");
    expect([...works]).toEqual([
      ["Heater", true],
      ["Pump", true],
      ["Fan", true],
    ]);
  });

  it("has the states that are named, each with what runs in it and what that needs", () => {
    const has = "wash pump 250, heater 3000, drain pump 35, level switch stops heater";
    const states = "washing: wash pump, heater; draining: drain pump; resting: nothing";
    const file = familyMachine(typedFamily(has, "dishwasher", states), { ...PLATE, supply: "230" }, {});
    const machine = compileMachine(file);
    const simulator = new Simulator(machine);
    const on = (setup: string) =>
      [...running(machine, simulator, setup)].filter(([, runs]) => runs).map(([name]) => name);
    expect([on("washing"), on("draining"), on("resting")]).toEqual([["Wash pump", "Heater"], ["Drain pump"], []]);
    const made = (text: string) => () =>
      familyMachine(typedFamily(has, "dishwasher", text), { ...PLATE, supply: "230" }, {});
    expect(made("washing: rocket")).toThrow(/names "rocket"/);
    expect(made("washing")).toThrow(/a state, a colon/);
  });

  it("says what of it was not understood", () => {
    const made = (typed: string) => () => familyMachine(typedFamily(typed, "washer"), { ...PLATE, supply: "230" }, {});
    expect(made("heater 2000, flux capacitor")).toThrow(/capacitor/i);
    expect(made("")).toThrow();
    expect(made("microwave 800")).toThrow(/not modelled/);
  });
});

describe("what a family is not", () => {
  it("leaves no sort of machine without one", () => {
    for (const family of FAMILIES)
      expect(
        KNOWN_FAMILIES.some((f) => f.family === family),
        family,
      ).toBe(true);
  });

  it("counts as seen what was seen, and no more", () => {
    const { file } = machineOf(KNOWN_FAMILIES[1]!, 1);
    const [first, ...rest] = assumedIn(file);
    const now = withSeen(file, [first!.id]);
    expect(assumedIn(now)).toEqual(rest);
    expect({ ...now, assumed: [] }).toEqual({ ...file, assumed: [] });
  });

  it("takes as seen what a job's readings had before them: a plug by its pin, a cover, a part across, a look, a clamp", () => {
    const washer = KNOWN_FAMILIES.find((f) => f.id === "washer")!;
    const machine = compileMachine(familyMachine(washer, { ...PLATE, supply: "230" }, {}));
    const seen = (function_: string, red: string, black?: string) =>
      seenByTests(machine, [{ function: function_, red, black }]).map((s) => s.name);
    expect(seen("look", "load-5")).toEqual(["Drain pump"]);
    expect(seen("acv", "J2-1.pad", "J2-6.pad")).toEqual(["Load plug J2", "Lid over the board"]);
    expect(seen("clamp", "clamp-4")).toEqual([]);
    expect(seen("ohms", "load-4-feed", "load-neutral")).toEqual(["Heater", "Back panel"]);
    expect(seen("acv", "plug-line", "plug-neutral")).toEqual(["Outlet", "Power cord"]);
    expect(
      seenByTests(compileMachine(withSeen(machine.file, ["load-5"])), [{ function: "look", red: "load-5" }]),
    ).toEqual([]);
  });

  it("refuses a supply of another sort, an answer that is none, a question that it has not", () => {
    const washer = KNOWN_FAMILIES.find((f) => f.id === "washer")!;
    expect(() => familyMachine(washer, { ...PLATE, supply: "24 VDC" }, {})).toThrow(/Washer: such a machine hangs on/);
    expect(() => familyMachine(washer, { ...PLATE, supply: "230" }, { motor: "steam" })).toThrow(
      /"steam" is no answer/,
    );
    expect(() => familyMachine(washer, { ...PLATE, supply: "230" }, { sails: "3" })).toThrow(/no question "sails"/);
  });

  it("passes over an answer to what is not asked", () => {
    const washer = KNOWN_FAMILIES.find((f) => f.id === "washer")!;
    const one = familyMachine(washer, { ...PLATE, supply: "230" }, { boards: "1", talk: "each" });
    expect(one).toEqual(familyMachine(washer, { ...PLATE, supply: "230" }, { boards: "1" }));
  });
});
