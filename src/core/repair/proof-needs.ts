import { type Gear, gearFor } from "../diagnose";
import type { Machine } from "../model";
import { safetyTest } from "./after-repair-limits";
import type { ProofStep } from "./proof-step";
import { say } from "#words/core/repair/proof-needs";

/** Testers besides the meter that the proof of a repair of this machine is made with. */
export function proofRunNeeds(machine: Machine): readonly string[] {
  return safetyTest(machine, 2).applies ? [say.safetyTester] : [];
}

/** A function as a step names it: `functions weight`, `functions dials by eye 0`. */
const FUNCTION_OF = /^functions (.+?)(?: by eye \d+)?$/;
/** What a function is tried with beside hands and eyes, by its name; common practice, no source. */
const TRIED_WITH: Readonly<Record<string, string>> = say.triedWith;

/** What the steps of a proof take beside a plain meter and the tester: instruments, and what is rigged up. */
export function proofGear(machine: Machine, script: readonly ProofStep[]): readonly Gear[] {
  const found = script.flatMap(({ id, test }): readonly Gear[] => {
    if (test) return gearFor(machine, test);
    const tried = TRIED_WITH[FUNCTION_OF.exec(id)?.[1] ?? ""];
    return tried === undefined ? [] : [{ kind: "rig", name: tried }];
  });
  return [...new Map(found.map((g) => [g.name, g])).values()];
}
