import { describe, expect, it } from "vitest";
import { asPlated, pickByPlate, plateWords } from "../../../src/core/model/plate";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { matchPart } from "../../../src/core/repair/part-match";
import { machineNamed } from "../../support/fleet";

const { file } = machineNamed("quellmoor-sb-210");
const said = (productCode: string | null, productIndex: string | null = null) => ({ productCode, productIndex });

describe("a rating plate", () => {
  it("picks boards and sheet by its index, whatever blanks and dashes are printed", () => {
    expect(pickByPlate(file, said("7210-014", "03"))).toMatchObject({ kind: "known", plate: { sheet: "sheet 210-2" } });
    expect(plateWords(file, said("7210014", "00"))).toBe("Main board QM-210-MB, drawn on sheet 210-1");
    expect(plateWords(file, said("7210 014", "07"))).toMatch(/index 00, 03 only: compare the boards/);
    expect([plateWords(file, said(null)), plateWords(file, said("911", "03"))]).toEqual(["", ""]);
    const every = { plates: [{ code: "X 1", numbers: {}, sheet: "sheet 9" }], pieces: [] };
    expect(plateWords(every, said("x1", "55"))).toBe("drawn on sheet 9");
  });

  it("decides which part in the hand belongs in", () => {
    const match = (index: string, number: string) =>
      matchPart(compileMachine(asPlated(file, said("7210 014", index))), "main-board", number).verdict;
    expect([match("00", "QM-210-MB"), match("00", "QM-210-MB3")]).toEqual(["same", "unknown"]);
    expect([match("03", "QM-210-MB3"), match("03", "QM-210-MB")]).toEqual(["same", "unknown"]);
    expect(asPlated(file, said("911"))).toBe(file);
  });
});
