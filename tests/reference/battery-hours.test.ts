import { describe, expect, it } from "vitest";
import { METRIC } from "../../src/core/quantity/units";
import { batteryHours, batteryHoursTool } from "../../src/core/workbench/battery-hours";
import { workTool } from "../../src/core/workbench/tool";

const sheet = (typed: Record<string, string>) => workTool(batteryHoursTool, typed, METRIC);

describe("how long a battery lasts", () => {
  // Worked by hand from Peukert's law (1897, from memory): 100 Ah at 20 h, k = 1.2, 10 A: 20 * 0.5^1.2 = 8.7055 h.
  it("is what the law gives by hand", () => {
    expect(batteryHours(100, 20, 10, 1.2)).toBeCloseTo(8.7055, 3);
    expect(sheet({ capacity: "100", amps: "10" }).sheet!.lines[0]!.text).toBe("8.71 h");
  });
  it("is its own rate at the current it is named for, and plain division without an exponent", () => {
    expect(batteryHours(80, 10, 8, 1.3)).toBeCloseTo(10, 12);
    expect(batteryHours(60, 20, 5, 1)).toBeCloseTo(12, 12);
  });
  it("is refused where nothing follows from what is typed", () => {
    expect(sheet({ amps: "5" }).problems).toEqual({ capacity: "Type its capacity." });
    expect(sheet({ capacity: "0", amps: "5" }).sheet).toBeNull();
    expect(sheet({ capacity: "60", amps: "5", exponent: "0.5" }).sheet).toBeNull();
  });
});
