import { observeAll, makeTest, nominalValues, NoOperatingPoint, programOf, Simulator } from "../../simulate";
import { ORDINARY_METER } from "../../instrument";
import type { Machine, SetupEntry } from "../../model";
import { say } from "#words/core/diagnose/advice";

/**
 * What is odd about a file that is well formed, as sentences: a complaint that a sound machine would fit, and a powered
 * setup in which a sound machine shows and runs nothing. Sound machine: no fault, every value as drawn.
 */
export function fileDoubts(machine: Machine): readonly string[] {
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const seen = machine.parts.filter((p) => p.labels !== null);
  const looks = (setup: SetupEntry): ReadonlyMap<string, string> | null => {
    try {
      const state = simulator.energise(setup, [], values);
      const tests = seen.map((p) => makeTest(setup.id, "look", p.id));
      const shown = observeAll(simulator, state, tests, ORDINARY_METER);
      return new Map(
        seen.map((p, i) => {
          const reading = shown[i]!;
          return [p.id, reading.kind === "label" ? reading.label : ""];
        }),
      );
    } catch (error) {
      // Some files draw a machine that finds no rest; that is said elsewhere.
      if (error instanceof NoOperatingPoint) return null;
      throw error;
    }
  };
  const { complaints, setups } = machine.file;
  const fitting = complaints.flatMap(({ words, setup, sees, beyond }) => {
    if (Object.keys(sees).length === 0 || beyond !== undefined) return [];
    const now = looks(machine.setupById.get(setup)!);
    const isTrue = now !== null && Object.entries(sees).every(([part, label]) => now.get(part) === label);
    return isTrue ? [say.complaintFitsASoundMachine(words)] : [];
  });
  const idle = setups.flatMap((setup) => {
    if (!promisesSomething(machine, setup) || seen.length === 0) return [];
    const [on, off] = [looks(setup), looks({ ...setup, power: "off" })];
    const isIdle = on !== null && off !== null && seen.every((p) => on.get(p.id) === off.get(p.id));
    return isIdle ? [say.setupRunsNothing(setup.name)] : [];
  });
  return [...fitting, ...idle];
}

/** Powered, with nothing taken off that could be why it stands still, in a mode that somebody entered to see something. */
function promisesSomething(machine: Machine, setup: SetupEntry): boolean {
  const modes = programOf(machine)?.modes ?? [];
  const isWhole = setup.power === "on" && setup.off.length + setup.apart.length + setup.lifted.length === 0;
  return isWhole && modes.indexOf(setup.mode) > 0;
}
