import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { EXACT_SUSPECTS, Planner, repairOrder, type PlanProblem } from "../../../../src/core/diagnose/planning/planner";
import { AT_FIRST, costFollowing, optimalCost, planningCase } from "../../../support/planning-cases";

/** Suspects in assemblies of their own, tests that cost the same from everywhere. */
function plain(
  weights: number[],
  tests: { labels: number[]; cost: number }[],
  more: Partial<PlanProblem> = {},
): PlanProblem {
  return {
    weights,
    assemblies: weights.map((_, i) => i),
    labels: tests.map((t) => Uint8Array.from(t.labels)),
    cost: (t) => tests[t]!.cost,
    minutes: (t) => tests[t]!.cost,
    after: (_, s) => s,
    attempts: [],
    wasted: weights.map(() => 50),
    ...more,
  };
}

describe("planning the whole way", () => {
  it("comes near the proven optimum, panel and power state part of it", () => {
    const ratios = Array.from({ length: 40 }, (_, seed) => {
      const problem = planningCase(seed + 1);
      const best = optimalCost(problem);
      const ours = costFollowing(problem, EXACT_SUSPECTS, (planner, unitState) => planner.moves(unitState)[0]);
      expect(ours).toBeGreaterThanOrEqual(best - 1e-9);
      return best > 0 ? ours / best : 1;
    }).sort((a, b) => a - b);
    const mean = ratios.reduce((a, b) => a + b, 0) / ratios.length;
    console.log(
      `cost over the optimum: mean ${mean.toFixed(4)}, p95 ${ratios[Math.floor(ratios.length * 0.95)]!.toFixed(3)}`,
    );
    expect(mean).toBeLessThanOrEqual(1.02);
    expect(ratios[Math.floor(ratios.length * 0.95)]).toBeLessThanOrEqual(1.08);
  });

  it("is exact on a chain of equal links: it halves", () => {
    const links = 8;
    const chain = plain(
      Array.from({ length: links }, () => 1),
      Array.from({ length: links - 1 }, (_, k) => ({
        labels: Array.from({ length: links }, (_, i) => Number(i > k)),
        cost: 1,
      })),
    );
    expect(new Planner(chain, 30).exact(2 ** links - 1, 0).cost / links).toBe(3);
    expect(new Planner(chain).moves(0)[0]).toMatchObject({ move: { kind: "test", test: 3 }, cost: 3 });
  });

  it("opens a cover when what lies behind it is worth it, and then makes the tests behind it", () => {
    // Test 0 in front splits one suspect off; 1 and 2 behind the cover tell all.
    const labels = [
      [1, 0, 0, 0],
      [0, 0, 1, 1],
      [0, 1, 0, 1],
    ].map((l) => Uint8Array.from(l));
    const cost = (t: number, s: number) => (t === 0 ? 3 : s === 1 ? 0.5 : 6);
    const problem = plain([1, 1, 1, 1], [], { labels, cost, minutes: cost, after: (t, s) => (t === 0 ? s : 1) });
    const [first] = new Planner(problem).moves(0);
    expect(first!.move).toEqual({ kind: "test", test: 1 });
    expect(first!.cost).toBeCloseTo(6.5, 12);
  });

  it("tries a cheap repair before a dear test, and not the other way round", () => {
    const tests = (cost: number) => [{ labels: [1, 0], cost }];
    const cleaning = { attempts: [{ assembly: 0, wasted: 6, minutes: 6 }] };
    const first = (cost: number) => new Planner(plain([3, 1], tests(cost), cleaning)).moves(0)[0]!;
    // In vain one time in four: 1.5 minutes on average.
    expect(first(4)).toMatchObject({ move: { kind: "attempt", attempt: 0 }, cost: 1.5 });
    expect(first(1)).toMatchObject({ move: { kind: "test", test: 0 }, cost: 1 });
  });

  it("says what a way costs if this suspect is the one", () => {
    const chain = plain(
      [1, 1, 1],
      [
        { labels: [1, 0, 0], cost: 2 },
        { labels: [0, 1, 0], cost: 3 },
      ],
    );
    const { bySuspect, minutes } = new Planner(chain)
      .moves(0)
      .find((m) => m.move.kind === "test" && m.move.test === 0)!;
    expect([...bySuspect]).toEqual([2, 5, 5]);
    expect([...minutes]).toEqual([2, 5, 5]);
  });

  it("weighs a repair to see by its odds within what is left, whatever the weights add up to", () => {
    // Test 0 sets the third aside for nothing; then it is one of the first two, nine to one.
    const scaled = (by: number, cost: number) =>
      plain(
        [45 * by, 5 * by, 50 * by],
        [
          { labels: [0, 0, 1], cost: 0.01 },
          { labels: [0, 1, 0], cost },
        ],
        { attempts: [{ assembly: 0, wasted: 10, minutes: 7 }] },
      );
    for (const by of [1, 0.001]) {
      // In vain one time in ten: 1 on average. Dearer than that, the test waits; cheaper, it goes first.
      const dear = new Planner(scaled(by, 2), 0).moves(0, [{ kind: "test", test: 0 }])[0]!;
      expect([...dear.bySuspect]).toEqual([0.01, 10.01, 0.01]);
      expect([...dear.minutes]).toEqual([0.01, 7.01, 0.01]);
      const cheap = new Planner(scaled(by, 0.5), 0).moves(0, [{ kind: "test", test: 0 }])[0]!;
      expect([...cheap.bySuspect]).toEqual([0.51, 0.51, 0.01]);
    }
  });

  it("finds the same way exactly and by leaving out what cannot be cheaper", () => {
    const arbitrary = fc.record({
      weights: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 5 }),
      tests: fc.array(
        fc.record({
          labels: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 5, maxLength: 5 }),
          cost: fc.integer({ min: 1, max: 9 }),
        }),
        { minLength: 1, maxLength: 5 },
      ),
      wasted: fc.integer({ min: 1, max: 20 }),
    });
    fc.assert(
      fc.property(arbitrary, ({ weights, tests, wasted }) => {
        const n = weights.length;
        const problem = plain(
          weights,
          tests.map((t) => ({ ...t, labels: t.labels.slice(0, n) })),
          { attempts: [{ assembly: 0, wasted, minutes: wasted }] },
        );
        const weightOf = (set: number[]) => set.reduce((sum, i) => sum + weights[i]!, 0);
        /** Every order of everything, by plain recursion: nothing kept, nothing left out. */
        const cheapest = (set: number[]): number => {
          if (set.length < 2) return 0;
          const total = weightOf(set);
          const order = repairOrder(set.map((i) => ({ odds: weights[i]! / total, cost: 50 })));
          let [giveUp, left] = [0, 1];
          for (const { odds, cost } of order) {
            left -= odds;
            giveUp += Math.max(0, left) * cost;
          }
          const ways: number[] = [];
          tests.forEach((t) => {
            const parts = [0, 1, 2].map((l) => set.filter((i) => t.labels[i] === l)).filter((p) => p.length > 0);
            if (parts.length > 1)
              ways.push(t.cost + parts.reduce((sum, p) => sum + (weightOf(p) / total) * cheapest(p), 0));
          });
          const rest = set.filter((i) => i !== 0);
          if (rest.length > 0 && rest.length < set.length)
            ways.push((weightOf(rest) / total) * (wasted + cheapest(rest)));
          return ways.length > 0 ? Math.min(...ways) : giveUp;
        };
        const all = Array.from({ length: n }, (_, i) => i);
        expect(new Planner(problem, 30).exact(2 ** n - 1, 0).cost / weightOf(all)).toBeCloseTo(cheapest(all), 9);
      }),
      { numRuns: 60 },
    );
  });

  it("is empty where nothing splits, and refuses more suspects than it can hold", () => {
    expect(new Planner(plain([1, 1], [{ labels: [0, 0], cost: 1 }])).moves(AT_FIRST)).toEqual([]);
    expect(
      () =>
        new Planner(
          plain(
            Array.from({ length: 31 }, () => 1),
            [],
          ),
        ),
    ).toThrow(RangeError);
  });
});

describe("the order of repairs", () => {
  const orders = <T>(list: readonly T[]): T[][] =>
    list.length < 2
      ? [[...list]]
      : list.flatMap((x, i) => orders(list.filter((_, k) => k !== i)).map((rest) => [x, ...rest]));
  /** With one fault: every repair up to the right one is paid for. */
  const paid = (order: readonly { odds: number; cost: number }[]) =>
    order.reduce(({ sum, left }, r) => ({ sum: sum + left * r.cost, left: left - r.odds }), {
      sum: 0,
      left: order.reduce((s, r) => s + r.odds, 0),
    }).sum;

  it("is the cheapest of all orders (Heckerman, Breese and Rommelse, 1995), by trying every one", () => {
    const repair = fc.record({ odds: fc.integer({ min: 1, max: 100 }), cost: fc.integer({ min: 1, max: 200 }) });
    fc.assert(
      fc.property(fc.array(repair, { minLength: 1, maxLength: 6 }), (repairs) => {
        const ours = paid(repairOrder(repairs));
        for (const order of orders(repairs)) expect(ours).toBeLessThanOrEqual(paid(order) + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it("is what pieces that nothing tells apart cost at the end", () => {
    const problem = plain([6, 3, 1], [], { wasted: [10, 2, 40] });
    // Order by odds over cost: 3/2, 6/10, 1/40. In vain: 2 with 0.7, 10 with 0.1.
    expect(new Planner(problem).exact(7, 0).cost / 10).toBeCloseTo(0.7 * 2 + 0.1 * 10, 12);
  });
});
