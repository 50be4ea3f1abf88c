import type { Machine } from "../model";
import { safetyTest } from "./after-repair-limits";
import { say } from "#words/core/repair/proof-needs";

/** Testers besides the meter that the proof of a repair of this machine is made with. */
export function proofRunNeeds(machine: Machine): readonly string[] {
  return safetyTest(machine, 2).applies ? [say.safetyTester] : [];
}
