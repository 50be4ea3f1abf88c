import type { Care } from "../journal";

/** Something done with the hands, or waited for, on one unit; minutes. */
export interface DayStep {
  readonly words: string;
  readonly minutes: number;
  /** One standard deviation of the minutes. */
  readonly spread: number;
  /** How one may leave it; null: hands are on it. */
  readonly care: Care | null;
  /** What it holds while it lasts, of what is few: an outlet, a rig. */
  readonly needs: readonly string[];
}

/** A unit in hand, with what it still needs, in order. */
export interface DayUnit {
  readonly id: string;
  /** How much a minute of it counts; 1 is usual. */
  readonly weight: number;
  /** When it is promised, minutes from now; null: not. */
  readonly promised: number | null;
  /** Not before so many minutes from now: a visit, a wait that runs. */
  readonly from: number;
  /** Hands are expected on it by then, minutes from now: a visit is an appointment. Left out: at any time. */
  readonly expected?: number;
  /** It is not in the workshop: hands that are on it stay with it to the end. */
  readonly isAway?: boolean;
  readonly steps: readonly DayStep[];
}

/** What is in hand, who is there, and what there is few of. */
export interface Day {
  readonly people: number;
  /** How many there are of each thing that is few. */
  readonly few: Readonly<Record<string, number>>;
  readonly units: readonly DayUnit[];
}

/** A minute that a unit is late counts as so many of its minutes; estimate E81. */
export const LATE = 5;

/**
 * A stretch that one person stays with, and the wait behind it that frees them; what it holds is held to the end of the
 * wait where the wait holds it too.
 */
export interface Block {
  readonly unit: number;
  readonly steps: readonly DayStep[];
  /** Minutes of hands, and of the wait behind them. */
  readonly hands: number;
  readonly wait: number;
  /** What is held while hands are on it, and what during the wait. */
  readonly holds: readonly string[];
  readonly holdsOn: readonly string[];
}

const frees = ({ care }: DayStep) => care === "leave" || care === "locked";

/** Whether hands cannot leave between two steps: one of them is a wait that somebody stays with. */
const isStayedWith = (a: DayStep, b: DayStep) => a.care !== null || b.care !== null;

/**
 * The blocks of a unit, in order: between one step and the next hands may leave it, unless it is away. A wait in front of
 * all hands is a block without hands.
 */
export function blocksOf(unit: DayUnit, index: number): readonly Block[] {
  const blocks: { hands: DayStep[]; waits: DayStep[] }[] = [];
  for (const step of unit.steps) {
    const last = blocks.at(-1);
    if (frees(step)) {
      if (last) last.waits.push(step);
      else blocks.push({ hands: [], waits: [step] });
    } else if (!last || last.waits.length > 0 || !(unit.isAway || isStayedWith(last.hands.at(-1)!, step)))
      blocks.push({ hands: [step], waits: [] });
    else last.hands.push(step);
  }
  const sum = (steps: readonly DayStep[]) => steps.reduce((total, s) => total + s.minutes, 0);
  const needs = (steps: readonly DayStep[]) => [...new Set(steps.flatMap((s) => s.needs))];
  return blocks.map(({ hands, waits }) => ({
    unit: index,
    steps: [...hands, ...waits],
    hands: sum(hands),
    wait: sum(waits),
    holds: needs(hands),
    holdsOn: needs(waits),
  }));
}
