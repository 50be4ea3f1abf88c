import { describe, expect, it } from "vitest";
import { shareOf } from "../../src/core/figures/share";

/**
 * Score intervals of 95 % as R. G. Newcombe prints them, "Two-sided confidence intervals for the single proportion",
 * Statistics in Medicine 17 (1998), table I, method 3; from memory.
 */
const NEWCOMBE = [
  [81, 263, 0.2553, 0.3662],
  [15, 148, 0.0624, 0.1605],
  [0, 20, 0, 0.1611],
  [1, 29, 0.0061, 0.1718],
] as const;

describe("a share of few", () => {
  it.each(NEWCOMBE)("%d of %d lies where the table has it", (count, of, low, high) => {
    const found = shareOf(count, of);
    expect(found.low).toBeCloseTo(low, 4);
    expect(found.high).toBeCloseTo(high, 4);
  });

  it("of all it is the mirror of none, and of nothing it is not known", () => {
    expect(shareOf(20, 20).low).toBeCloseTo(1 - 0.1611, 4);
    expect(shareOf(20, 20).high).toBe(1);
    expect(shareOf(0, 0)).toEqual({ count: 0, of: 0, share: null, low: 0, high: 1 });
  });

  it("holds the true share in 95 of 100 shops, however few jobs they have", () => {
    // Summed over every count that a shop of so many jobs can have, by the binomial law; near 95 % on the average.
    for (const of of [5, 12, 30]) {
      let covered = 0;
      let shops = 0;
      for (let share = 0.02; share < 0.985; share += 0.02) {
        let chance = (1 - share) ** of;
        for (let count = 0; count <= of; count++) {
          const { low, high } = shareOf(count, of);
          if (low <= share && share <= high) covered += chance;
          chance *= ((of - count) / (count + 1)) * (share / (1 - share));
        }
        shops++;
      }
      expect(covered / shops).toBeGreaterThan(0.93);
      expect(covered / shops).toBeLessThan(0.97);
    }
  });
});
