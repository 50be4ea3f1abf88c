import type { Machine } from "../model";
import { familyFunctions } from "./family-functions";

/** Minutes that hands are on a step of the proof whose list says none: a look, a reading or a limit; estimate E80. */
const HANDS = { look: 0.5, reading: 2 } as const;

/** What hands are on the steps of a proof, by their names, minutes. What they wait is not in it. */
export function proofMinutes(machine: Machine, steps: readonly string[]): number {
  const listed = new Map(familyFunctions(machine).map((f) => [`functions ${f.id}`, f.minutes]));
  const isRead = (step: string) => step.startsWith("safety ") || (step.includes("|") && !step.includes("|look|"));
  return steps.reduce(
    (sum, step) => sum + (listed.get(step.replace(/ by eye \d+$/, "")) ?? (isRead(step) ? HANDS.reading : HANDS.look)),
    0,
  );
}
