import { describe, expect, it } from "vitest";
import {
  type Day,
  type DayStep,
  type DayUnit,
  laidOut,
  LATE,
  meanwhile,
  planDay,
  rule,
} from "../../../src/core/plan-day";
import { randomDay } from "../../support/random-days";

const hands = (minutes: number, needs: readonly string[] = []): DayStep => ({
  words: "hands",
  minutes,
  spread: 0,
  care: null,
  needs,
});
const wait = (minutes: number, care: DayStep["care"] = "leave", needs: readonly string[] = []): DayStep => ({
  words: "wait",
  minutes,
  spread: 0,
  care,
  needs,
});
const unit = (id: string, steps: readonly DayStep[], other: Partial<DayUnit> = {}): DayUnit => ({
  id,
  weight: 1,
  promised: null,
  from: 0,
  steps,
  ...other,
});
const day = (units: readonly DayUnit[], other: Partial<Day> = {}): Day => ({ people: 1, few: {}, units, ...other });

/** Every order of the blocks of a day, each laid out. */
function cheapest(of: Day): number {
  const left = of.units.map((_, u) => rule(of, "one after the other").filter((x) => x === u).length);
  let best = Infinity;
  const go = (order: number[]): void => {
    if (left.every((n) => n === 0)) best = Math.min(best, laidOut(of, order).cost);
    left.forEach((n, u) => {
      if (n === 0) return;
      left[u]!--;
      go([...order, u]);
      left[u]!++;
    });
  };
  go([]);
  return best;
}

describe("the order of a day", () => {
  it("what waits is begun first, and hands are elsewhere meanwhile: worked by hand", () => {
    // A: 10 of hands, 30 of drying, 5 of hands. B: 30 of hands. B fits into the drying to the minute.
    const of = day([unit("A", [hands(10), wait(30, "locked"), hands(5)]), unit("B", [hands(30)])]);
    const planned = planDay(of);
    expect(planned.order).toEqual([0, 1, 0]);
    expect(planned.done).toEqual([45, 40]);
    expect(planned.found).toBe("exact");
    // One after the other: A is done at 45, B at 75.
    expect(laidOut(of, rule(of, "one after the other")).done).toEqual([45, 75]);
  });

  it("between two steps hands may leave a unit for an appointment, and not one that is away: worked by hand", () => {
    const visit = unit("V", [hands(20), hands(20)], { from: 25, expected: 25, isAway: true });
    const planned = planDay(day([unit("A", [hands(20), hands(30)]), visit]));
    expect(planned.done).toEqual([95, 65]);
    // Away, the other unit is not left half-way: its fifty minutes come before or behind.
    const away = planDay(day([unit("A", [hands(20), hands(30)], { isAway: true }), visit]));
    expect(away.done).toEqual([115, 65]);
  });

  it("hands that the plan leaves idle are told what can be begun meanwhile, and left again", () => {
    // A short one rings in ten minutes; a long one begun first would keep it waiting: the plan idles.
    const of = day([unit("short", [hands(5)], { from: 10 }), unit("long", [hands(80)])]);
    const planned = planDay(of);
    expect(planned.placed[0]!.start).toBe(10);
    expect(meanwhile(of, planned)).toEqual([{ unit: 1, until: 10 }]);
    const away = day([of.units[0]!, unit("long", [hands(80)], { isAway: true })]);
    expect(meanwhile(away, planDay(away))).toEqual([null]);
    const busy = day([unit("A", [hands(5)]), unit("B", [hands(80)])]);
    expect(meanwhile(busy, planDay(busy))).toEqual([null]);
  });

  it("a wait that is to be stayed with frees nobody", () => {
    const of = day([unit("A", [hands(10), wait(30, "watch"), hands(5)]), unit("B", [hands(30)])]);
    const planned = planDay(of);
    // 45 minutes in one stretch beside 30: the shorter first.
    expect(planned.order).toEqual([1, 0]);
    expect(planned.done).toEqual([75, 30]);
  });

  it("what is promised goes before what is shorter, where that is dearer", () => {
    const of = day([unit("long", [hands(60)], { promised: 60 }), unit("short", [hands(50)])]);
    expect(planDay(of).order).toEqual([0, 1]);
    expect(planDay(day([unit("long", [hands(60)]), unit("short", [hands(50)])])).order).toEqual([1, 0]);
    // 60 minutes, 10 of them late, and 50 of the other.
    expect(laidOut(of, [1, 0]).cost).toBe(110 + LATE * 50 + 50);
  });

  it("one rig: the second waits for it, also while the first only waits on it", () => {
    const rig = ["rig"];
    const of = day([unit("A", [hands(10, rig), wait(20, "leave", rig)]), unit("B", [hands(10, rig)])], {
      few: { rig: 1 },
    });
    expect(laidOut(of, [0, 1]).done).toEqual([30, 40]);
    expect(laidOut({ ...of, few: { rig: 2 } }, [0, 1]).done).toEqual([30, 20]);
  });

  it("two people work side by side, and a unit is on one bench at a time", () => {
    const of = day([unit("A", [hands(30)]), unit("B", [hands(30)])], { people: 2 });
    expect(planDay(of).done).toEqual([30, 30]);
  });

  it("what comes later is not begun before, and what already waits goes on by itself", () => {
    const of = day([unit("A", [hands(10)], { from: 25 }), unit("B", [wait(15), hands(5)]), unit("C", [hands(10)])]);
    const { done } = planDay(of);
    expect(done).toEqual([35, 20, 10]);
  });

  it("never laid out twice at once, never out of order, nothing lost", () => {
    for (let seed = 1; seed <= 24; seed++) {
      const of = randomDay(seed, 3 + (seed % 6));
      const { placed, done } = planDay(of);
      expect(placed.length).toBe(
        of.units.reduce((n, _, u) => n + rule(of, "one after the other").filter((x) => x === u).length, 0),
      );
      const held = [...placed].sort((a, b) => a.start - b.start);
      held.slice(1).forEach((p, i) => expect(p.start).toBeGreaterThanOrEqual(held[i]!.handsEnd - 1e-9));
      of.units.forEach((u, n) => {
        const own = held.filter((p) => p.block.unit === n);
        expect(own[0]!.start).toBeGreaterThanOrEqual(u.from);
        own.slice(1).forEach((p, i) => expect(p.start).toBeGreaterThanOrEqual(own[i]!.end - 1e-9));
        expect(own.at(-1)!.end).toBe(done[n]);
      });
    }
  });

  it("costs as little as the cheapest of all orders, tried one by one", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const of = randomDay(seed, 3);
      expect(planDay(of).cost, `day ${seed}`).toBeCloseTo(cheapest(of), 6);
    }
  });

  it("a day too large to prove is no dearer than the best plain rule, and the same each time", () => {
    for (let seed = 1; seed <= 6; seed++) {
      const of = randomDay(seed, 9);
      const planned = planDay(of);
      for (const by of ["shortest", "longest wait", "promised", "one after the other"] as const)
        expect(planned.cost).toBeLessThanOrEqual(laidOut(of, rule(of, by)).cost + 1e-9);
      expect(planDay(of)).toEqual(planned);
    }
  });

  it("what is held goes first: the job at hand and the next one stay", () => {
    for (let seed = 1; seed <= 20; seed++) {
      const of = randomDay(seed, 4);
      const hold = [seed % 4, (seed + 1) % 4];
      expect(planDay(of, hold).order.slice(0, 2)).toEqual(hold);
    }
  });
});
