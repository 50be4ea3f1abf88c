import { gesturesTo, modeName } from "./program/program";
import { everydaySetup } from "./everyday-setup";
import type { Part } from "./machine";
import type { MachineFile, SetupEntry } from "./schema";
import { say } from "#words/core/model/mode-setups";

/** Seconds after a mode was entered at which one looks. */
const LOOK_AFTER = 8;

/**
 * A setup for each mode of the control program that gestures lead to and no setup of the file is in, so that what is
 * seen in it counts as evidence. They are not among the setups that the search proposes.
 */
export function modeSetups(file: MachineFile, parts: readonly Part[]): SetupEntry[] {
  const program = parts
    .map((p) => p.kind.electrical.program?.(p.fields))
    .find((p) => p !== undefined && p.modes.length > 0);
  if (!program || file.setups.length === 0) return [];
  const home = program.modes[0]!;
  const base = everydaySetup(file);
  return program.modes.flatMap((mode): SetupEntry[] => {
    if (mode === home || file.setups.some((s) => s.mode === mode)) return [];
    const way = gesturesTo(program, home, mode);
    if (!way || way.length === 0) return [];
    return [
      {
        ...base,
        id: `mode.${mode}`,
        name: say.poweredModeName(modeName(program, mode)),
        power: "on",
        mode,
        press: [],
        seconds: LOOK_AFTER,
        minutes: 1,
        how: way.map((g) => g.name).join(". ") + ".",
      },
    ];
  });
}
