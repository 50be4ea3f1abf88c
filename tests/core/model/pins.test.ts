import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { boardTable, measuredVolts, spreadWords } from "../../../src/core/model/pins/board-table";
import { type Measured, spreadOf } from "../../../src/core/model/pins/measured";
import type { PinFields } from "../../../src/core/model/pins/pin-fields";

const text = readFileSync(new URL("../../fixtures/pin-board.yaml", import.meta.url), "utf8");
const fields = (measured: readonly Measured[]): PinFields => {
  const part: unknown = readMachineYaml(text, "pin-board.yaml").file.parts.find((p) => p.kind === "board by its pins");
  return { ...(part as PinFields), measured: [...measured] };
};
const read = (low: number | undefined, unit: string, more: Partial<Measured> = {}): Measured => ({
  between: ["1", "3"],
  state: "cooling",
  function: "dcv",
  ...(low === undefined ? {} : { low }),
  overload: low === undefined,
  unit,
  meter: "bench meter",
  ...more,
});

describe("what good units showed", () => {
  it("is a spread of so many units, whichever way round the leads were", () => {
    const rows = [read(12.8, "A"), read(13.1, "B"), read(-12.9, "C", { between: ["3", "1"] })];
    expect(spreadOf(rows, ["1", "3"], "cooling")).toEqual({ kind: "steady", low: 12.8, high: 13.1, units: 3 });
    expect(spreadOf(rows, ["3", "1"], "cooling")).toEqual({ kind: "steady", low: -13.1, high: -12.8, units: 3 });
    expect(spreadOf(rows, ["1", "3"], "test3")).toBeNull();
    expect(spreadOf(rows, ["2", "3"], "cooling")).toBeNull();
  });
  it("is never averaged where it pulses, nor where units show one of two values", () => {
    expect(spreadOf([read(0, "A", { high: 13 }), read(0.2, "B", { high: 12.6 })], ["1", "3"], "cooling")).toEqual({
      kind: "pulsed",
      low: 0,
      high: 13,
      units: 2,
    });
    const two = spreadOf([read(0, "A"), read(13, "B"), read(12.8, "C")], ["1", "3"], "cooling");
    expect(two).toEqual({ kind: "two values", values: [0, 12.9], units: 3 });
  });
  it("of ohms into electronics compares on one meter only", () => {
    const ohms = (low: number, unit: string, meter: string) =>
      read(low, unit, { state: "dead", function: "ohms", meter });
    expect(spreadOf([ohms(4700, "A", "m1"), ohms(4900, "B", "m1")], ["1", "3"], "dead")?.kind).toBe("steady");
    expect(spreadOf([ohms(4700, "A", "m1"), ohms(9100, "B", "m2")], ["1", "3"], "dead")).toEqual({
      kind: "not comparable",
      meters: ["m1", "m2"],
    });
  });
});

describe("the table of a board", () => {
  it("has what the sheet says in each state, and leaves empty what it does not", () => {
    const rows = boardTable(fields([]));
    const said = (name: string) => rows.find((r) => r.name === name)!.cells.map((c) => c.said);
    // Door open, test 3, cooling.
    expect(said("fan")).toEqual(["0 V", "13.0 V", "13.0 V"]);
    expect(said("light")).toEqual(["12.0 V", null, "0 V"]);
    expect(said("compressor")).toEqual(["open", "open", "closed"]);
    expect(said("door")).toEqual(["5.00 V", null, null]);
    expect(rows.find((r) => r.function === "ohms")!.cells[0]!.said).toBe("4700 Ω");
    expect(rows.flatMap((r) => r.cells).every((c) => (c.said === null) === (c.source === null))).toBe(true);
  });
  it("shows what was read beside it, says where they part, and lists what the sheet has not", () => {
    const rows = boardTable(fields([read(9.1, "A"), read(5, "A", { between: ["5", "3"] })]));
    const fan = rows.find((r) => r.name === "fan")!.cells[2]!;
    expect(fan.spread && spreadWords(fan.spread, "dcv")).toBe("9.10 V, 1 unit");
    expect(fan.against).toContain("beside what the sheet says");
    const beside = rows.at(-1)!;
    expect(beside).toMatchObject({ name: "not on the sheet", between: ["5", "3"] });
    expect(beside.cells.map((c) => c.spread !== null)).toEqual([false, false, true]);
  });
  it("gives the model what good units showed, as soon as it is one value", () => {
    expect(measuredVolts(fields([]), "fan")).toBeNull();
    const three = [read(12.6, "A"), read(12.8, "B"), read(13, "C")];
    expect(measuredVolts(fields(three), "fan")!.volts).toBeCloseTo(12.8, 6);
    expect(measuredVolts(fields(three), "fan")!.tolerance).toBe(0.03);
    expect(measuredVolts(fields([read(0, "A"), read(13, "B")]), "fan")).toBeNull();
    expect(measuredVolts(fields([read(0, "A", { high: 13 })]), "fan")).toBeNull();
  });
});
