import { describe, expect, it } from "vitest";
import { planDay } from "../../src/core/plan-day";
import { solvedDay } from "../support/day-milp";
import { randomDay } from "../support/random-days";

describe("the order of a day, against HiGHS", () => {
  // The bench does two hundred; these are the first of them.
  it.each([1, 2, 4, 5, 8, 10])("drawn day %d of four units costs what the solver proves to be least", async (seed) => {
    const day = randomDay(seed, 4);
    const solved = await solvedDay(day, 120);
    expect(solved.isOptimal).toBe(true);
    expect(Math.abs(planDay(day).cost / solved.cost - 1)).toBeLessThan(1e-4);
  });
});
