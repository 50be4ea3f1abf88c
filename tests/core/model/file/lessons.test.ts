import { describe, expect, it } from "vitest";
import { variantOf, type Change } from "../../../../src/core/model/as-found";
import { compileMachine } from "../../../../src/core/model/compile/compile";
import { familyMachine } from "../../../../src/core/model/family/family-machine";
import { familyOf } from "../../../../src/core/model/family/families-known";
import { withSeen } from "../../../../src/core/model/family/seen";
import { heldAgainst, type Lesson, withLessons } from "../../../../src/core/model/file/lessons";
import { withDrawing } from "../../../../src/core/model/file/with-drawing";
import { goodRating } from "../../../../src/core/model/good-rating";
import type { MachineFile } from "../../../../src/core/model/schema";
import { makeTest, nominalValues, observe, Simulator } from "../../../../src/core/simulate";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";

const base = familyMachine(familyOf("washer"), { id: "w", maker: "A", model: "B", supply: "230" }, {});
const lesson = (id: string, change: Change): Lesson => ({ id, grow: (f) => variantOf(f, [change]).file });
const reads = lesson("reads", { change: "other part", part: "load-5", fields: { ohms: 187 } });
const colour = lesson("colour", { change: "lines", table: "plugs", text: "J2 1 violet door lock", target: "" });
const ohmsOf = (file: MachineFile) =>
  (file.parts.find((p) => (p as unknown as { id: string }).id === "load-5") as unknown as { ohms: number }).ohms;
const retold = (file: MachineFile, ohms: number): MachineFile =>
  variantOf(file, [{ change: "other part", part: "load-5", fields: { ohms } }]).file;

describe("what a job learned, held against the file as it is now", () => {
  it("goes in one by one; what is there already is no news", () => {
    const held = heldAgainst(base, base, [reads, colour]);
    expect(held.map((h) => h.conflicts)).toEqual([[], []]);
    const grown = withLessons(base, [held[0]!]);
    expect(ohmsOf(grown)).toBe(187);
    expect(JSON.stringify(grown.connectors)).not.toContain("violet");
    const again = heldAgainst(base, grown, [reads, colour]);
    expect(again[0]!.facts).toEqual([]);
    expect(JSON.stringify(withLessons(grown, [again[1]!]).connectors)).toContain("violet");
  });

  it("names what somebody has changed otherwise since, with all three values", () => {
    const now = retold(base, 150);
    const [held] = heldAgainst(base, now, [reads]);
    expect(held!.conflicts).toMatchObject([{ path: ["parts", "#load-5", "ohms"], ours: 150, theirs: 187 }]);
    expect(ohmsOf(withLessons(now, [held!]))).toBe(187);
  });

  it("is no conflict where others saw other things of a list", () => {
    const now = withSeen(base, ["load-1"]);
    const held = heldAgainst(base, now, [{ id: "seen", grow: (f) => withSeen(f, ["load-2"]) }]);
    expect(held[0]!.conflicts).toEqual([]);
    const grown = withLessons(now, held);
    expect(grown.assumed).not.toContain("load-1");
    expect(grown.assumed).not.toContain("load-2");
    expect(grown.assumed).toContain("load-3");
  });

  it("says so where one does not go without another", () => {
    const lamp: Lesson = lesson("lamp", { change: "lines", table: "parts", text: "lamp 5W J2-1 J2-2", target: "" });
    const point: Lesson = lesson("point", { change: "point", name: "Hole", net: "J2-1" });
    const held = heldAgainst(base, base, [lamp, point]);
    const after = lesson("after", { change: "other part", part: "lamp", fields: { watts: 9 } });
    const [, , changed] = heldAgainst(base, base, [lamp, point, after]);
    expect(withLessons(base, held).points.some((p) => p.name === "Hole")).toBe(true);
    expect(() => withLessons(base, [changed!])).toThrow(RangeError);
  });
});

describe("a point that somebody can reach", () => {
  it("is measured at like any other; not on what is not there, not twice under one name", () => {
    const machine = variantOf(base, [{ change: "point", name: "Lint door hole", net: "J2-1" }]);
    const simulator = new Simulator(machine);
    const at = (red: string) => {
      const state = simulator.energise(machine.setupById.get("wash")!, [], nominalValues(machine));
      return observe(simulator, state, makeTest("wash", "acv", red, "board-in-N"), ORDINARY_METER);
    };
    expect(at("found-lint-door-hole")).toEqual(at("J2-1"));
    expect(() => variantOf(base, [{ change: "point", name: "X", net: "moon" }])).toThrow(/Nothing lies on moon/);
    const name = base.points[0]!.name;
    expect(() => variantOf(base, [{ change: "point", name, net: "J2-1" }])).toThrow(/already/);
  });
});

describe("what a good one reads", () => {
  it("is its rating: of a heater by Ohm's law, of a winding its ohms", () => {
    const machine = compileMachine(base);
    const rating = (id: string, ohms: number) => goodRating(machine.partById.get(id)!, ohms);
    // 230 V squared over 44.1 ohm.
    expect(rating("load-4", 44.1)).toEqual({ watts: 1200 });
    expect(rating("load-5", 187)).toEqual({ ohms: 187 });
    expect(rating("outlet", 5)).toBeNull();
  });
});

describe("a photo as the picture of an assembly", () => {
  it("has marks that name a pin at that pin, others as outlines", () => {
    const image = "data:image/png;base64,AAAA";
    const marks = [
      { words: "J2-1", at: [0.25, 0.5] as const },
      { words: "burnt", at: [0.01, 0.99] as const },
    ];
    const { pieces } = withDrawing(base, "board", { image, ratio: 1.5, marks });
    const { drawing } = pieces.find((p) => p.id === "board")!;
    expect(drawing!.pins).toEqual({ "J2-1.pad": [0.25, 0.5] });
    expect(drawing!.outlines).toMatchObject([{ words: "burnt" }]);
    expect(() => withDrawing(base, "board", { image: "data:text/html,x", ratio: 1, marks: [] })).toThrow(RangeError);
  });
});
