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

  it.each([1, 2, 3, 6])("drawn day %d with one unit that hands are expected on at its hour", async (seed) => {
    const drawn = randomDay(seed, 4);
    const day = { ...drawn, units: drawn.units.map((u, i) => (i === 0 ? { ...u, from: 50, expected: 50 } : u)) };
    const solved = await solvedDay(day, 120);
    expect(solved.isOptimal).toBe(true);
    expect(Math.abs(planDay(day).cost / solved.cost - 1)).toBeLessThan(1e-4);
    // It is told by it: the same day without the appointment is another.
    const free = { ...day, units: day.units.map(({ expected: _, ...u }) => u) };
    expect(planDay(free).cost).toBeLessThanOrEqual(solved.cost);
  });

  it.each([1, 2, 3, 5])(
    "drawn day %d, where one unit waits on the one rig already: it goes on by itself",
    async (seed) => {
      const drawn = randomDay(seed, 4);
      const running = { words: "defrost runs", minutes: 45, spread: 0, care: "leave" as const, needs: ["rig"] };
      const units = drawn.units.map((u, i) => (i === 0 ? { ...u, from: 0, steps: [running, ...u.steps.slice(2)] } : u));
      const day = { ...drawn, units };
      const solved = await solvedDay(day, 120);
      expect(solved.isOptimal).toBe(true);
      expect(Math.abs(planDay(day).cost / solved.cost - 1)).toBeLessThan(1e-4);
    },
  );

  it.each([1, 2, 3, 4])("drawn day %d of three units and two people", async (seed) => {
    const day = { ...randomDay(seed, 3), people: 2 };
    const solved = await solvedDay(day, 120);
    expect(solved.isOptimal).toBe(true);
    expect(planDay(day).cost / solved.cost).toBeGreaterThan(1 - 1e-4);
    expect(planDay(day).cost / solved.cost).toBeLessThan(1.03);
  });
});
