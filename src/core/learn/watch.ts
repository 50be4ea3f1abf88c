import type { FunctionRow, MachineFile } from "../model";

/** Days after which a repair has shown whether it holds: what runs daily says so sooner; estimate E72. */
const DAYS = { daily: 14, other: 30, seldom: 60 } as const;
/** What comes and goes has to stay away so many times as long; estimate E73. */
const FLEETING = 3;
/** What is only patched is asked about after so many days at most. */
const PATCHED = 7;

/** Kinds of machine that run seldom. */
const SELDOM: ReadonlySet<FunctionRow> = new Set<FunctionRow>(["changeover", "winch"]);

/** Days until it is asked whether a repair has held. */
export function watchDays(
  { family, functionsOf }: Pick<MachineFile, "family" | "functionsOf">,
  repair: { readonly comesAndGoes: boolean; readonly temporary: boolean },
): number {
  const household = family === "powered equipment" ? DAYS.other : DAYS.daily;
  const days = functionsOf && SELDOM.has(functionsOf) ? DAYS.seldom : household;
  if (repair.temporary) return Math.min(PATCHED, days);
  return repair.comesAndGoes ? FLEETING * days : days;
}
