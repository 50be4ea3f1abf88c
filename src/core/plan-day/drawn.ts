import { uniformFor } from "../random";
import type { Day } from "./day";
import { laidOut } from "./schedule";

/** A standard normal number by its name, always the same for the same name: Box and Muller. */
const normal = (seed: number, name: string) =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, uniformFor(seed, `${name} a`)))) *
  Math.cos(2 * Math.PI * uniformFor(seed, `${name} b`));

/** The same day as it may come out: every step with the minutes that it then takes, log-normal with its mean and spread. */
export function drawnDay(day: Day, seed: number): Day {
  return {
    ...day,
    units: day.units.map((unit, u) => ({
      ...unit,
      steps: unit.steps.map((step, k) => {
        // Waits are clocks and last what they last.
        if (step.care !== null || step.minutes <= 0) return step;
        const sigma2 = Math.log(1 + (step.spread / step.minutes) ** 2);
        const drawn = Math.exp(Math.log(step.minutes) - sigma2 / 2 + Math.sqrt(sigma2) * normal(seed, `${u} ${k}`));
        return { ...step, minutes: drawn };
      }),
    })),
  };
}

/** Days drawn to see how far a plan may be out. */
const DRAWS = 80;

/** When a unit is done in an order, minutes from now: four of five days lie between. */
export interface DoneBetween {
  readonly low: number;
  readonly high: number;
}

/** How early and how late each unit is done, in the order of the units, if an order is kept to. */
export function doneBetween(day: Day, order: readonly number[]): readonly DoneBetween[] {
  const days = Array.from({ length: DRAWS }, (_, d) => laidOut(drawnDay(day, d + 1), order).done);
  return day.units.map((_, unit) => {
    const done = days.map((d) => d[unit]!).sort((a, b) => a - b);
    return { low: done[Math.floor(0.1 * DRAWS)]!, high: done[Math.ceil(0.9 * DRAWS) - 1]! };
  });
}
