import { describe, expect, it } from "vitest";
import { fieldName, formOf, kindForm, sectionForm, shapeOf, type FormNode } from "../../../src/core/model/edit/form-of";
import { type DraftLists, placeNames, typedJoin } from "../../../src/core/model/edit/typed-join";
import { PART_KINDS } from "../../../src/core/model/kinds/registry";
import { conditionText, readCondition } from "../../../src/core/model/program/condition-words";
import type { Condition } from "../../../src/core/model/program/condition";
import { machineFileSchema } from "../../../src/core/model/schema";
import { FLEET, machineNamed } from "../../support/fleet";
import { randomSource } from "../../support/unit-on-the-bench";

const FLEET_FILES = FLEET.map(machineNamed);

/** Whether a value fits its form: all of it can be edited by it, nothing is out of its reach. */
function isReached(node: FormNode, value: unknown): boolean {
  if (value === undefined || value === null) return true;
  switch (node.sort) {
    case "line":
    case "choice":
      return typeof value !== "object";
    case "several":
      return Array.isArray(value) && value.every((v) => typeof v !== "object");
    case "condition":
      return true;
    case "rows":
      return Array.isArray(value) && value.every((v) => isReached(node.of, v));
    case "named rows":
      return Object.values(value as object).every((v) => isReached(node.of, v));
    case "either":
      return isReached(node.of[shapeOf(node.of, value)]!, value);
    case "fields":
      return Object.entries(value as object).every(([name, v]) => {
        const field = node.fields.find((f) => f.name === name);
        return field !== undefined && isReached(field.node, v);
      });
  }
}

describe("a form made of a schema", () => {
  it("reaches every value of every file that is shipped, sections and parts", () => {
    for (const machine of FLEET_FILES) {
      const { parts, format: _, ...rest } = machine.file;
      for (const [section, value] of Object.entries(rest))
        expect(isReached(sectionForm(section), value), `${machine.file.id} ${section}`).toBe(true);
      for (const part of parts) {
        const {
          id,
          name: _name,
          piece: _piece,
          at: _at,
          odds: _odds,
          kind,
          ...fields
        } = part as Record<string, unknown>;
        expect(isReached({ sort: "fields", fields: kindForm(String(kind)) }, fields), `${machine.file.id} ${id}`).toBe(
          true,
        );
      }
    }
  });

  it("knows what must be said and what may be left out", () => {
    expect(kindForm("fuse").find((f) => f.name === "amps")).toMatchObject({ isRequired: true, node: { sort: "line" } });
    const setups = sectionForm("setups");
    expect(setups.sort).toBe("rows");
    const fields = setups.sort === "rows" && setups.of.sort === "fields" ? setups.of.fields : [];
    expect(fields.find((f) => f.name === "power")!.node).toEqual({ sort: "choice", options: ["on", "off"] });
    expect(fields.find((f) => f.name === "openDoors")).toMatchObject({ isRequired: false, node: { sort: "several" } });
    expect(["openDoors", "piece", "made", "simpleCauses"].map(fieldName)).toEqual([
      "open doors",
      "assembly",
      "closed",
      "simple causes",
    ]);
    expect(formOf(machineFileSchema).sort).toBe("fields");
    expect(PART_KINDS.every((k) => Array.isArray(kindForm(k.kind)))).toBe(true);
    expect(() => sectionForm("nothing")).toThrow();
  });
});

describe("a condition in words", () => {
  it.each([
    ["mode wash and level above 50 %", { all: [{ mode: "wash" }, { input: "level", above: 0.5 }] }],
    ["mode a or mode b and not key stop", { any: [{ mode: "a" }, { all: [{ mode: "b" }, { not: { key: "stop" } }] }] }],
    [
      "(mode a or mode b) and not (code E1 or key x)",
      { all: [{ any: [{ mode: "a" }, { mode: "b" }] }, { not: { any: [{ code: "E1" }, { key: "x" }] } }] },
    ],
    ["door below 0.5", { input: "door", below: 0.5 }],
    ["always: it is spoken to", { always: "it is spoken to" }],
  ] as const)("%s", (text, condition) => {
    expect(readCondition(text)).toEqual(condition);
    expect(readCondition(conditionText(readCondition(text)))).toEqual(condition);
  });

  it("says what it does not understand", () => {
    for (const [text, sentence] of [
      ["", /When/],
      ["mode", /ends too soon/],
      ["level", /above or below how much/],
      ["level above much", /no share/],
      ["(mode a", /bracket/],
      ["mode a mode b", /not understood/],
      ["mode a and or mode b", /missing before "or"/],
      ["level above 500 %", /not understood/],
    ] as const)
      expect(() => readCondition(text), text).toThrow(sentence);
  });

  it("of every program that is shipped, and of random ones, is read as it was", () => {
    const conditions = JSON.stringify(FLEET_FILES.map((m) => m.file)).match(/"when":\{/g)!.length;
    expect(conditions).toBeGreaterThan(100);
    const visit = (value: unknown): void => {
      if (value === null || typeof value !== "object") return;
      for (const [name, inner] of Object.entries(value)) {
        if (["when", "atOnce", "whilst"].includes(name) && inner !== null && typeof inner === "object")
          expect(readCondition(conditionText(inner as Condition))).toEqual(inner);
        else visit(inner);
      }
    };
    FLEET_FILES.forEach((m) => visit(m.file));
    const random = randomSource(4);
    const one = (depth: number): Condition => {
      const k = Math.floor(random() * (depth === 0 ? 4 : 7));
      const two = () => [one(depth - 1), one(depth - 1)];
      if (k === 0) return { mode: "m1" };
      if (k === 1) return { input: "i", above: 0.25 };
      if (k === 2) return { key: "k" };
      if (k === 3) return { code: "E1" };
      if (k === 4) return { all: two() };
      if (k === 5) return { any: two() };
      return { not: one(depth - 1) };
    };
    for (let n = 0; n < 300; n++) {
      const condition = one(3);
      expect(readCondition(conditionText(condition)), conditionText(condition)).toEqual(condition);
    }
  });
});

describe("two places joined by typing", () => {
  const lists = {
    parts: [
      { id: "F", kind: "dc fan", name: "Fan", piece: "fan", volts: "12", amps: "0.2" },
      {
        id: "K1",
        kind: "relay",
        name: "Heater relay",
        piece: "board",
        coilVolts: "12",
        coilOhms: "400",
        contactAmps: "16",
      },
      {
        id: "U1",
        kind: "regulator",
        name: "Supply",
        piece: "board",
        volts: "12",
        dropoutVolts: "2",
        at: { out: "rail12" },
      },
      { id: "H", kind: "heater", name: "Heater", piece: "heater", volts: "230", watts: "900", at: { a: "heat-L" } },
    ],
    wires: [{ id: "W1", piece: "harness", from: "J2-1", to: "heat-L" }],
    connectors: [
      {
        id: "J2",
        name: "Plug J2",
        near: { suffix: ".pad" },
        pins: [
          { pin: "1", net: "out1" },
          { pin: "3", net: "rail12" },
        ],
      },
    ],
    points: [{ id: "tp", name: "Test pad 12 V", net: "rail12" }],
    pieces: [{ id: "board", name: "Board" }],
  };

  it("lays a wire from a pin to a terminal that had nothing yet", () => {
    const { words, wires, parts } = typedJoin(lists, "J2-3 to fan +");
    expect(words).toBe("Wire W2 from J2-3 to fan +");
    expect(wires[1]).toEqual({ id: "W2", piece: "harness", from: "J2-3", to: "F-plus" });
    expect(parts[0]).toMatchObject({ at: { plus: "F-plus" } });
    // The same once more is another wire between the same nets; the second end is known now.
    expect(typedJoin({ ...lists, parts, wires }, "J2-1 to fan minus").wires[2]).toMatchObject({
      from: "J2-1",
      to: "F-minus",
    });
  });

  it("solders what lies on one board, and takes the board side of a pin", () => {
    const { words, wires, parts } = typedJoin(lists, "supply out to heater relay coil-a");
    expect(words).toContain("joined on the board");
    expect(wires).toBe(lists.wires);
    expect(parts[1]).toMatchObject({ at: { "coil-a": "rail12" } });
    expect(typedJoin(lists, "J2-3.pad to heater b").wires.at(-1)).toMatchObject({ from: "rail12", to: "H-b" });
  });

  it("takes the part with the longest name, and says what it does not know", () => {
    expect(typedJoin(lists, "J2-1 to heater relay common").parts[1]).toMatchObject({ at: { common: "K1-common" } });
    for (const [typed, sentence] of [
      ["J2-3", /Both ends/],
      ["J9-1 to fan +", /"J9-1" is no pin/],
      ["J2-3 to fan shaft", /which terminal\? plus, minus/],
      ["J2-3.pad to test pad 12 v", /joined already/],
    ] as const)
      expect(() => typedJoin(lists, typed), typed).toThrow(sentence);
  });

  it("offers every place by a name that it takes", () => {
    const { file } = machineNamed("hochkar-ip-4");
    const own = file as unknown as DraftLists;
    const names = placeNames(own);
    expect(names.length).toBeGreaterThan(40);
    for (const name of names)
      try {
        typedJoin(own, `${name} to ${names[0]!}`);
      } catch (error) {
        expect((error as Error).message, name).toContain("joined already");
      }
  });
});
