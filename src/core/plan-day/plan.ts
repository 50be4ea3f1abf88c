import { uniformFor } from "../random";
import type { Day } from "./day";
import { type DayPlan, laidOut, Layout } from "./schedule";

/** Days of no more blocks than this are worked out exactly; found by trying: beyond it that takes seconds. */
const EXACT_BLOCKS = 20;
/** Layouts tried at most in the exact search, and by trial beyond it. */
const MOST_STEPS = 60_000;
const TRIES = 6000;

/** How a plan was found. */
export type Found = "exact" | "tried";

export interface Planned extends DayPlan {
  /** Units in the order of their blocks. */
  readonly order: readonly number[];
  readonly found: Found;
}

/**
 * The order of a day that costs least: exact while there are few blocks, else the best of many tries; the same for the
 * same day. What `hold` names goes first, in its order: the job at hand and the next one stay what they are.
 */
export function planDay(day: Day, hold: readonly number[] = []): Planned {
  const first = [rule(day, "shortest"), rule(day, "longest wait"), rule(day, "promised")].map((order) =>
    held(order, hold),
  );
  let best = first.map((order) => ({ order, plan: laidOut(day, order) })).sort((a, b) => a.plan.cost - b.plan.cost)[0]!;
  const blocks = new Layout(day).blocks.reduce((n, b) => n + b.length, 0);
  if (blocks <= EXACT_BLOCKS) {
    const exact = exactly(day, hold, best);
    if (exact.isWhole) return { ...exact.best.plan, order: exact.best.order, found: "exact" };
    best = exact.best;
  }
  const tried = improved(day, hold.length, best);
  return { ...tried.plan, order: tried.order, found: "tried" };
}

interface Candidate {
  readonly order: readonly number[];
  readonly plan: DayPlan;
}

/** The order with what is held in front. */
function held(order: readonly number[], hold: readonly number[]): readonly number[] {
  const rest = [...order];
  for (const unit of hold) {
    const at = rest.indexOf(unit);
    if (at >= 0) rest.splice(at, 1);
  }
  return [...hold, ...rest];
}

/** Orders by a plain rule: each time the unit that the rule prefers among those that could begin soonest. */
export function rule(
  day: Day,
  by: "shortest" | "longest wait" | "promised" | "one after the other",
): readonly number[] {
  const layout = new Layout(day);
  const order: number[] = [];
  const left = layout.blocks.map((blocks) => blocks.reduce((sum, b) => sum + b.hands + b.wait, 0));
  const waits = layout.blocks.map((blocks) => blocks.reduce((sum, b) => sum + b.wait, 0));
  const key = (unit: number): number => {
    if (by === "longest wait") return -waits[unit]!;
    if (by === "promised") return day.units[unit]!.promised ?? Number.MAX_SAFE_INTEGER;
    return left[unit]! / day.units[unit]!.weight;
  };
  const units = day.units.map((_, unit) => unit);
  if (by === "one after the other") return units.flatMap((unit) => layout.blocks[unit]!.map(() => unit));
  for (;;) {
    const open = units.filter((unit) => layout.has(unit));
    if (open.length === 0) return order;
    const soonest = Math.min(...open.map((unit) => layout.earliest(unit)));
    const next = open.filter((unit) => layout.earliest(unit) <= soonest).sort((a, b) => key(a) - key(b) || a - b)[0]!;
    layout.place(next);
    order.push(next);
  }
}

/** Every order whose blocks begin one after the other, cut off where it can no longer be the best. */
function exactly(day: Day, hold: readonly number[], known: Candidate): { best: Candidate; isWhole: boolean } {
  const layout = new Layout(day);
  let best = known;
  let steps = 0;
  const order: number[] = [];
  for (const unit of hold)
    if (layout.has(unit)) {
      layout.place(unit);
      order.push(unit);
    }
  const search = (): void => {
    if (++steps > MOST_STEPS) return;
    const open = day.units.map((_, unit) => unit).filter((unit) => layout.has(unit));
    if (open.length === 0) {
      const plan = layout.plan();
      if (plan.cost < best.plan.cost - 1e-9) best = { order: [...order], plan };
      return;
    }
    for (const unit of open.sort((a, b) => layout.earliest(a) - layout.earliest(b))) {
      const undo = layout.place(unit);
      order.push(unit);
      if (layout.bound() < best.plan.cost - 1e-9) search();
      order.pop();
      undo();
    }
  };
  search();
  return { best, isWhole: steps <= MOST_STEPS };
}

/** Moves blocks about while that helps, and shakes the order where nothing helps any more; the first `fixed` stay. */
function improved(day: Day, fixed: number, from: Candidate): Candidate {
  let drawn = 0;
  const random = () => uniformFor(1, `move ${drawn++}`);
  let [best, here] = [from, from];
  for (let tries = 0; tries < TRIES; tries++) {
    const order = [...here.order];
    const free = order.length - fixed;
    if (free < 2) return best;
    // A shake is three moves at once.
    const isShake = tries % 50 === 49;
    for (let move = 0; move < (isShake ? 3 : 1); move++) {
      const [at, to] = [fixed + Math.floor(random() * free), fixed + Math.floor(random() * free)];
      const [unit] = order.splice(at, 1);
      order.splice(to, 0, unit!);
    }
    const plan = laidOut(day, order);
    if (isShake || plan.cost <= here.plan.cost) here = { order, plan };
    if (plan.cost < best.plan.cost - 1e-9) best = { order, plan };
    else if (tries % 400 === 399) here = best;
  }
  return best;
}
