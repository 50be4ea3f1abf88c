import { uniformFor } from "../../src/core/random";
import type { Day, DayStep } from "../../src/core/plan-day";

/**
 * A day of a workshop, drawn: each unit is searched, then waits or is repaired, then proven; waits are of minutes to an
 * hour, as contacts dry, a compressor rests, a defrost runs. Half of the units are promised, some are on the one rig.
 */
export function randomDay(seed: number, units: number): Day {
  const draw = (name: string) => uniformFor(seed, name);
  const between = (name: string, low: number, high: number) => Math.round(low + (high - low) * draw(name));
  const step = (words: string, minutes: number, care: DayStep["care"], needs: readonly string[] = []): DayStep => ({
    words,
    minutes,
    spread: 0.3 * minutes,
    care,
    needs,
  });
  return {
    people: 1,
    few: { rig: 1 },
    units: Array.from({ length: units }, (_, u) => {
      const rig = draw(`rig ${u}`) < 0.3 ? ["rig"] : [];
      const care = draw(`care ${u}`) < 0.5 ? ("leave" as const) : ("locked" as const);
      const steps = [
        step("search", between(`search ${u}`, 8, 45), null),
        step("wait", between(`wait ${u}`, 5, 60), care),
        step("repair", between(`repair ${u}`, 5, 40), null, rig),
        ...(draw(`second ${u}`) < 0.6 ? [step("wait", between(`second wait ${u}`, 5, 40), "leave" as const, rig)] : []),
        step("proof", between(`proof ${u}`, 10, 40), null),
      ];
      return {
        id: `unit ${u}`,
        weight: 1 + Math.floor(3 * draw(`weight ${u}`)) / 2,
        promised: draw(`promised ${u}`) < 0.5 ? between(`at ${u}`, 60, 300) : null,
        from: draw(`from ${u}`) < 0.2 ? between(`later ${u}`, 10, 90) : 0,
        steps,
      };
    }),
  };
}
