import {
  costOf,
  type Day,
  type DoneBetween,
  doneBetween,
  type HeldUp,
  heldUp,
  isReady,
  laidOut,
  type Meanwhile,
  meanwhile,
  planDay,
  type Planned,
} from "../core/plan-day";

/** Why a unit comes first, by what it would cost to take another first. */
export interface WhyFirst {
  /** The unit that comes first. */
  readonly unit: number;
  /** The unit that would come first otherwise, and what that would cost more, in minutes of one unit. */
  readonly instead: number | null;
  readonly dearer: number;
  /** Minutes of waiting that others' work fits into, behind the first block. */
  readonly waits: number;
  /** It is promised, and would be late if another went first. */
  readonly isPromised: boolean;
}

/** A planned day, and why it begins as it does. */
export interface DayAnswer {
  readonly plan: Planned;
  readonly why: WhyFirst | null;
  /** How early and how late each unit is done, if the order is kept to; in the order of the units. */
  readonly between: readonly DoneBetween[];
  /** What idle hands can be on until the plan wants them; by person of the plan. */
  readonly meanwhile: readonly (Meanwhile | null)[];
  /** What each unit waits for because there is few of it, the next time hands come to it; in the order of the units. */
  readonly heldUp: readonly (HeldUp | null)[];
}

/** Plans days, in a worker. */
export class DayDesk {
  /** The order of a day; what `hold` names goes first. */
  plan(day: Day, hold: readonly number[]): DayAnswer {
    const plan = planDay(day, hold);
    const first = plan.placed.find((p) => p.block.hands > 0);
    return {
      plan,
      why: first ? whyFirst(day, plan, first.block.unit, first.block.wait) : null,
      between: doneBetween(day, plan.order),
      meanwhile: meanwhile(day, plan),
      heldUp: day.units.map((_, unit) => {
        const next = plan.placed.find((p) => p.block.unit === unit && p.block.hands > 0);
        return next ? heldUp(day, plan, next) : null;
      }),
    };
  }
}

/** What is lost by taking the next other unit first. */
function whyFirst(day: Day, plan: Planned, first: number, waits: number): WhyFirst {
  // Those that others' hands are on, or that cannot be begun yet, are none to choose from.
  const begun = new Set(plan.placed.filter((p) => p.block.hands > 0 && p.start < 1).map((p) => p.block.unit));
  const instead = plan.order.find((unit) => unit !== first && !begun.has(unit) && isReady(day, unit)) ?? null;
  if (instead === null) return { unit: first, instead, dearer: 0, waits, isPromised: false };
  const order = [instead, ...plan.order];
  order.splice(order.indexOf(instead, 1), 1);
  const other = laidOut(day, order);
  const { promised, weight } = day.units[first]!;
  const late = promised === null ? 0 : costOf(other.done[first]!, weight, promised) - weight * other.done[first]!;
  return {
    unit: first,
    instead,
    dearer: other.cost - plan.cost,
    waits,
    isPromised: late > 0 && plan.done[first]! <= promised!,
  };
}
