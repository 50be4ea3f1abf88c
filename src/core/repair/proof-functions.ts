import { titleOf } from "../diagnose";
import { has, type Machine } from "../model";
import { makeTest, type Test } from "../simulate";
import { type FamilyFunction, familyFunctions } from "./family-functions";
import type { ProofStep } from "./proof-step";
import type { SpoiltTests } from "./spoilt-tests";
import { say } from "#words/core/repair/proof-functions";

/** Makes the step of a test; none where it may not be made, or was asked for already. */
export type StepOf = (group: ProofStep["group"], test: Test, words: string) => readonly ProofStep[];

/**
 * What protects (door, cut-off, level, guard), whatever was repaired: for each part the safest reading, with nothing
 * live, that would show it failed; tried and seen where no such reading tells.
 */
export function protectingSteps(machine: Machine, spoilt: SpoiltTests, stepOf: StepOf): readonly ProofStep[] {
  const dead = machine.file.setups.filter((s) => s.power === "off");
  return machine.parts
    .filter((p) => has(p, "protects", "interlock"))
    .flatMap((part) => {
      const tests = part.modes.flatMap(({ id }) => spoilt.by({ part: part.id, mode: id }, dead).slice(0, 1));
      const steps = tests.flatMap((test) => stepOf("protects", test, titleOf(machine, test)));
      // A reading that is vague, or asked for elsewhere, proves nothing of it here.
      return steps.length > 0
        ? steps
        : [byEye("protects", { id: part.id, words: say.doesItsWork(part.name), minutes: 2 })];
    });
}

/** The functions of this kind of machine, and its own: by test where its file says which, else by eye. */
export function functionSteps(machine: Machine, stepOf: StepOf): readonly ProofStep[] {
  const named = machine.file.functions;
  const shown = (of: string, words: string) =>
    named
      .filter((f) => f.of === of)
      .flatMap(({ shown: t }) => stepOf("functions", makeTest(t.setup, t.function, t.red, t.black), words));
  const usual = familyFunctions(machine);
  const own = [...new Set(named.map((f) => f.of))].filter((of) => !usual.some((f) => f.id === of));
  return [
    ...usual.flatMap((f) => {
      const byTest = shown(f.id, f.words);
      return byTest.length > 0 ? byTest : [byEye("functions", f)];
    }),
    ...own.flatMap((of) => shown(of, of)),
  ];
}

function byEye(group: "protects" | "functions", { id, words, minutes, licensed }: FamilyFunction): ProofStep {
  return {
    id: `${group} ${id}`,
    group,
    words,
    how: say.byEyeAbout(minutes),
    expected: licensed ? say.byTheLicensedTrade : say.asItShould,
    cautions: [],
  };
}
