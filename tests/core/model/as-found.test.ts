import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { coverageOf } from "../../../src/core/diagnose/advice/coverage";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { variantOf, ChangeError, changeWords, type Change } from "../../../src/core/model/as-found";
import { Simulator } from "../../../src/core/simulate/energise";
import { observe } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues } from "../../../src/core/simulate/values";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { machineNamed } from "../../support/fleet";
import { KETTLE } from "../../support/kettle";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";

const fridge = machineNamed("quellmoor-sb-210").file;
const cutOff: Change = {
  change: "put in",
  kind: "thermal cut-off",
  name: "Cut-off in the heater lead",
  part: "heater",
  terminal: "a",
  fields: { opensAbove: 70, place: "evaporator" },
};

describe("what a unit has that its file has not", () => {
  it("puts a cut-off into a lead: a new piece, a new fault, a new point, and the load dies with it", () => {
    const machine = variantOf(fridge, [cutOff]);
    const found = machine.parts.find((p) => p.name === "Cut-off in the heater lead")!;
    const simulator = new Simulator(machine);
    const amps = (faults: { part: string; mode: string }[]) => {
      const shown = observe(
        simulator,
        simulator.energise(machine.setupById.get("defrost")!, faults, nominalValues(machine)),
        makeTest("defrost", "clamp", "clamp-heat"),
        ORDINARY_METER,
      );
      return shown.kind === "value" ? shown.value : NaN;
    };
    expect(amps([])).toBeCloseTo(2.66, 1);
    expect(amps([{ part: found.id, mode: "open" }])).toBeLessThan(0.01);
    expect([...machine.points.values()].some((p) => p.name.includes("far end"))).toBe(true);
  });

  it("takes a wrong heater for what it is", () => {
    const machine = variantOf(fridge, [{ change: "other part", part: "heater", fields: { watts: 160 } }]);
    expect(machine.partById.get("heater")!.parameters[0]!.nominal).toBeCloseTo(90, 5);
  });

  it("takes a part out, bridged or open, and off every path", () => {
    const bridged = variantOf(machineNamed("murgast-abs-60").file, [
      { change: "taken out", part: "cut-once", bridged: true },
    ]);
    expect(bridged.partById.has("cut-once")).toBe(false);
    expect(JSON.stringify(bridged.file.paths)).not.toContain("cut-once");
    expect(bridged.file.wires.some((w) => w.id.startsWith("found-cut-once"))).toBe(true);
  });

  it("may be put in twice, and into a wire", () => {
    const twice = variantOf(fridge, [
      cutOff,
      cutOff,
      {
        change: "put in",
        kind: "fuse",
        name: "Fuse in the violet wire",
        part: "W9",
        terminal: "a",
        fields: { amps: 5 },
      },
    ]);
    expect(twice.parts.length).toBe(compileMachine(fridge).parts.length + 3);
  });

  it.each([
    [
      { change: "put in", kind: "compressor", name: "x", part: "heater", terminal: "a", fields: {} },
      "not something found in a lead",
    ],
    [{ change: "put in", kind: "fuse", name: "x", part: "heater", terminal: "z", fields: {} }, "no terminal z"],
    [{ change: "other part", part: "heater", fields: { watts: -5 } }, "above 0"],
    [{ change: "other part", part: "no-such", fields: { watts: 5 } }, "no part called no-such"],
    [{ change: "taken out", part: "K1", bridged: true }, "only a part of two"],
  ] as const)("refuses what cannot be: %j", (change, sentence) => {
    expect(() => variantOf(fridge, [change as Change])).toThrow(ChangeError);
    expect(() => variantOf(fridge, [change as Change])).toThrow(sentence);
  });

  it("leaves the file itself alone, and has words for the record", () => {
    const before = JSON.stringify(fridge);
    variantOf(fridge, [cutOff]);
    expect(JSON.stringify(fridge)).toBe(before);
    expect(changeWords(fridge, cutOff)).toBe(
      "Cut-off in the heater lead found in the lead of Defrost heater: opensAbove 70, place evaporator",
    );
  });
});

describe("what a file can and cannot tell apart", () => {
  it("names what stays together, and the point that would help: a fuse and a switch in series without a point between", () => {
    const text = KETTLE.replace("at: { a: L, b: heat } }", "at: { a: L, b: mid } }").replace(
      "  - { id: heater, kind: heater",
      "  - { id: S1, kind: switch, name: Switch, piece: fuse, rests: closed, at: { a: mid, b: heat } }\n  - { id: heater, kind: heater",
    );
    const dictionary = FaultDictionary.of(readMachineYaml(text, "kettle.yaml").machine, ORDINARY_METER);
    dictionary.build();
    const coverage = coverageOf(dictionary);
    expect(coverage.together.map((g) => g.map((f) => f.id))).toContainEqual(["F1:blown", "S1:stuck-open"]);
    expect(coverage.helpfulPoints[0]).toMatchObject({ net: "mid" });
    expect(coverage.alone + coverage.together.flat().length + coverage.silent.length).toBe(coverage.faults);
    expect(coverage.silent.map((f) => f.id)).toContain("S1:stuck-closed");
  });
});
