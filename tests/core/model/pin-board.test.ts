import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { believe, describeTest } from "../../../src/core/diagnose";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { makeTest, nominalValues, observe, Simulator } from "../../../src/core/simulate";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const text = readFileSync(new URL("../../fixtures/pin-board.yaml", import.meta.url), "utf8");
const machine = compileMachine(readMachineYaml(text, "pin-board.yaml").file);
const simulator = new Simulator(machine);
const shown = (setup: string, fn: Parameters<typeof makeTest>[1], red: string, black?: string, fault?: string) => {
  const [part, mode] = (fault ?? "").split(":") as [string, string];
  const state = simulator.energise(
    machine.setupById.get(setup)!,
    fault ? [{ part, mode }] : [],
    nominalValues(machine),
  );
  const read = observe(simulator, state, makeTest(setup, fn, red, black), ORDINARY_METER);
  if (read.kind === "value") return read.value;
  return read.kind === "label" ? read.label : read.kind;
};

describe("a board by its pins", () => {
  it("gives in each state what its sheet says, under the load that hangs on it", () => {
    expect(shown("cooling", "look", "compressor")).toBe("runs");
    expect(shown("cooling", "look", "fan")).toBe("runs");
    // 13 V through 1 ohm into 60 ohm.
    expect(shown("cooling", "dcv", "X-1", "X-3")).toBeCloseTo(12.8, 1);
    expect(shown("cooling", "dcv", "X-2", "X-3")).toBeCloseTo(0, 1);
    expect(shown("open", "look", "compressor")).toBe("silent");
    expect(shown("open", "look", "light")).toBe("bright");
    expect(shown("test3", "look", "compressor")).toBe("silent");
    expect(shown("test3", "look", "fan")).toBe("runs");
  });

  it("knows its state by what its pins see: the door's wire open is an open door to it", () => {
    expect(shown("cooling", "look", "fan", undefined, "X-4:open")).toBe("silent");
    expect(shown("cooling", "look", "light", undefined, "X-4:open")).toBe("bright");
    expect(shown("open", "look", "light", undefined, "MB:door-deaf")).toBe("bright");
    expect(shown("cooling", "look", "light", undefined, "MB:door-deaf")).toBe("bright");
  });

  it("fails pin by pin, as a whole, over and over", () => {
    expect(shown("cooling", "look", "fan", undefined, "MB:fan-off")).toBe("silent");
    expect(shown("cooling", "look", "compressor", undefined, "MB:fan-off")).toBe("runs");
    expect(shown("open", "look", "compressor", undefined, "MB:compressor-stuck")).toBe("runs");
    expect(shown("dead", "ohms", "in-L", "comp-L", "MB:compressor-stuck")).toBeLessThan(0.1);
    expect(shown("cooling", "look", "compressor", undefined, "MB:dead")).toBe("silent");
    expect(shown("cooling", "dcv", "X-1", "X-3", "MB:rails-sag")).toBeLessThan(8);
    expect(shown("cooling", "dcv", "X-4", "X-3", "MB:dead")).toBeCloseTo(0, 1);
  });

  it("gives half of each wave: its mean and what is left beside it, by the integral of a rectified sine", () => {
    // Mean sqrt(2)/pi, rms of the rest sqrt(1/2 - 2/pi^2) of 230 V; into 18 ohm a few of its volts stay in the line.
    const half = "MB:compressor-half";
    expect(shown("cooling", "dcv", "comp-L", "in-N", half)).toBeGreaterThan(0.95 * 103.5);
    expect(shown("cooling", "dcv", "comp-L", "in-N", half)).toBeLessThan(103.6);
    expect(shown("cooling", "acv", "comp-L", "in-N", half)).toBeCloseTo(125.3, 0);
    expect(shown("cooling", "look", "compressor", undefined, half)).toBe("silent");
    const sheet = text.replace("to: C, from: L, on: [cooling]", "to: C, from: L, shape: half wave, on: [cooling]");
    const made = compileMachine(readMachineYaml(sheet, "half.yaml").file);
    const state = new Simulator(made).energise(made.setupById.get("cooling")!, [], nominalValues(made));
    const read = observe(new Simulator(made), state, makeTest("cooling", "dcv", "comp-L", "in-N"), ORDINARY_METER);
    expect(read.kind === "value" && read.value).toBeGreaterThan(0.95 * 103.5);
    // What is half by its sheet does not fail by being half.
    expect(made.partById.get("MB")!.modes.map((m) => m.id)).not.toContain("compressor-half");
  });

  it("shows what its sheet has for its state; a wrong code is another, a dead one dark", () => {
    const sheet = text
      .replace("name: Test 3, mode: test3", 'name: Test 3, shows: "3", mode: test3')
      .replace("{ id: cooling, name: Cooling }", '{ id: cooling, name: Cooling, shows: "ok" }');
    const made = compileMachine(readMachineYaml(sheet, "shows.yaml").file);
    const look = (setup: string, mode?: string) => {
      const own = new Simulator(made);
      const faults = mode === undefined ? [] : [{ part: "MB", mode }];
      const state = own.energise(made.setupById.get(setup)!, faults, nominalValues(made));
      const read = observe(own, state, makeTest(setup, "look", "MB"), ORDINARY_METER);
      return read.kind === "label" ? read.label : read.kind;
    };
    expect([look("cooling"), look("test3"), look("open")]).toEqual(["ok", "3", "dark"]);
    expect([look("cooling", "dead"), look("cooling", "wrong-code")]).toEqual(["dark", "another"]);
    // A sheet that says nothing of a display has none to look at.
    expect(machine.partById.get("MB")!.labels).toBeNull();
  });

  it("names what does not fit in its own table", () => {
    const wrong = text.replace("on: [cooling, test3]", "on: [cooling, test7]").replace('to: "2"', 'to: "9"');
    expect(() => compileMachine(readMachineYaml(wrong, "x.yaml").file)).toThrow(/test7/);
    expect(() => compileMachine(readMachineYaml(wrong, "x.yaml").file)).toThrow(/no pin 9/);
  });
});

describe("what the sheet does not speak of", () => {
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();

  it("is unknown and not 0 V: nothing is foreseen there", () => {
    // Pin 5 and the test pin stand in no line; the light's pin in test 3 in none of its own.
    for (const test of [
      makeTest("cooling", "dcv", "X-5", "X-3"),
      makeTest("cooling", "acv", "test-pin", "in-N"),
      makeTest("test3", "dcv", "X-2", "X-3"),
      makeTest("test3", "look", "light"),
    ])
      expect(dictionary.predictionsFor(test).every((p) => p.length === 0)).toBe(true);
    // In a state of which it does speak the same pin is foreseen.
    expect(dictionary.predictionsFor(makeTest("open", "dcv", "X-2", "X-3"))[0]!.length).toBeGreaterThan(0);
  });

  it("can be measured all the same, and what is read there is laid out without an expectation", () => {
    const unitState = { setup: "cooling", openPanels: new Set<string>() };
    const test = makeTest("cooling", "dcv", "X-5", "X-3");
    const card = describeTest(dictionary, believe(dictionary, []), unitState, test);
    expect(card.windowWords).toBe("its sheet does not say");
    expect(card.meanings).toEqual([]);
  });

  it("leaves the board under suspicion where all that it speaks of is right", () => {
    const modes = machine.partById.get("MB")!.modes.map((m) => m.id);
    expect(modes).toContain("unspoken");
  });

  it("does not keep what is spoken of from being found", () => {
    const random = randomSource(5);
    let [right, all] = [0, 0];
    const wrong: string[] = [];
    for (const h of dictionary.hypotheses) {
      if (h.kind !== "fault") continue;
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      if (unit.looksSound()) continue;
      all++;
      const { assemblies, tests } = search(dictionary, unit, "advice");
      // What nobody knows is not asked for.
      const asked = tests.map((t) => `${t.setup} ${t.red} ${t.black ?? ""}`).join("\n");
      expect(asked).not.toMatch(/X-5|test-pin|test3 X-2|test3 light/);
      if (assemblies.length === 1 && assemblies[0] === h.assembly) right++;
      else wrong.push(`${h.id}: ${assemblies.join(", ")}`);
    }
    expect(all).toBeGreaterThan(15);
    expect(wrong, wrong.join("; ")).toEqual([]);
    expect(right).toBe(all);
  });
});
