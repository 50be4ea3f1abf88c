import { titleOf } from "../diagnose";
import { has, type Machine } from "../model";
import { makeTest, type Test, testKey } from "../simulate";
import { type FamilyFunction, familyFunctions } from "./family-functions";
import type { ProofStep } from "./proof-step";
import type { SpoiltTests } from "./spoilt-tests";
import { say } from "#words/core/repair/proof-functions";

/** Makes the step of a test; none where it may not be made, or was asked for already. */
export type StepOf = (group: ProofStep["group"], test: Test, words: string) => readonly ProofStep[];

/** Functions shown by a step that was asked for already: by the test's key. */
export type AlsoShown = Map<string, string[]>;

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

/**
 * The functions of this kind of machine, and its own: by the tests that its file names, by eye in the file's words, or
 * by eye in the usual words where the file is silent. What a step asked for already shows is noted there.
 */
export function functionSteps(machine: Machine, stepOf: StepOf, also: AlsoShown): readonly ProofStep[] {
  const named = machine.file.functions;
  const usual = familyFunctions(machine);
  const own = [...new Set(named.map((f) => f.of))]
    .filter((of) => !usual.some((f) => f.id === of))
    .map((of): FamilyFunction => ({ id: of, words: of, minutes: 0 }));
  return [...usual, ...own].flatMap((f) => {
    let isShown = false;
    const steps = named
      .filter((row) => row.of === f.id)
      .flatMap((row, i): readonly ProofStep[] => {
        // Named by its place: a step's name is kept with its result, and is short.
        if ("eye" in row) return [byEye("functions", { ...f, id: `${f.id.slice(0, 40)} by eye ${i}` }, row.eye)];
        const test = makeTest(row.shown.setup, row.shown.function, row.shown.red, row.shown.black);
        const made = stepOf("functions", test, say.functionBy(f.words, titleOf(machine, test)));
        const before = also.get(testKey(test));
        isShown ||= made.length > 0 || before !== undefined;
        if (made.length === 0) before?.push(f.words);
        return made;
      });
    return steps.length > 0 || isShown ? steps : [byEye("functions", f)];
  });
}

function byEye(
  group: "protects" | "functions",
  { id, words, minutes, licensed }: FamilyFunction,
  how = say.byEyeAbout(minutes),
): ProofStep {
  return {
    id: `${group} ${id}`,
    group,
    words,
    how,
    expected: licensed ? say.byTheLicensedTrade : say.asItShould,
    cautions: [],
  };
}
