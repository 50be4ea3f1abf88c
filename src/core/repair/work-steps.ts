import { say } from "#words/core/repair/procedure";

/** What a step does to the machine: a plan can be walked by it. */
export type Act =
  | { readonly does: "power off" | "prove dead" | "power, loads off" | "power" }
  | { readonly does: "open" | "close"; readonly cover: string }
  | { readonly does: "pull" | "plug" | "measure dead"; readonly plug: string }
  | { readonly does: "wire off" | "wire on"; readonly contact: string; readonly assembly: string }
  | { readonly does: "out" | "in" | "bench"; readonly assembly: string };

/** One step of a repair. A step with `undoes` is the way back of another, derived and never written down. */
export interface WorkStep {
  /** By what it is about, so that a tick stays where it belongs though the plan changes. */
  readonly id: string;
  readonly words: string;
  /** What to know with it: wire colours, screws, what to see. */
  readonly details: readonly string[];
  readonly cautions: readonly string[];
  readonly photo: boolean;
  readonly act?: Act;
  readonly undoes?: string;
  /** A plug that is now on the new board, while the old one still lies beside it. */
  readonly isOnNew?: true;
  /** A wire that is tugged once it is back. */
  readonly isWire?: true;
  /** What has to dry or cool: a timer. */
  readonly waits?: boolean;
}

/** The stages in the order of the trade; those with nothing to do are left out. */
export const STAGES = {
  match: say.matchAndCause,
  settings: say.settingsOfTheOldOne,
  "power-down": say.powerDownAndProveIt,
  open: say.coversPhotoMarks,
  unplug: say.plugs,
  "loads-dead": say.beforeItIsPoweredWhat,
  out: say.out,
  prepare: say.prepare,
  in: say.in,
  bonding: say.bonding,
  "first-power": say.firstPower,
  "loads-in": say.loadsIn,
  functions: say.functions,
  leakage: say.leakage,
  close: say.closeUp,
} as const;
export type StageId = keyof typeof STAGES;

export interface WorkStage {
  readonly id: StageId;
  readonly name: string;
  readonly steps: readonly WorkStep[];
}

/** How one repair is made, step by step, from the file alone. */
export interface Procedure {
  readonly assembly: string;
  readonly name: string;
  readonly minutes: number;
  readonly stages: readonly WorkStage[];
  /** Whether its plugs can go straight over to another board, one at a time. */
  readonly canTransfer: boolean;
  /** What the file does not say, as sentences. */
  readonly lacks: readonly string[];
}

/**
 * The way back from the middle of a repair that is given up: what undoes the steps that were ticked, the last first, and
 * plugs that are on the new board already back onto the old one.
 */
export function wayBack(procedure: Procedure, done: ReadonlySet<string>): readonly WorkStep[] {
  const steps = procedure.stages.flatMap((s) => s.steps);
  const undone = new Set(steps.flatMap((s) => (s.undoes !== undefined && done.has(s.id) ? [s.undoes] : [])));
  return steps.flatMap((s) => {
    if (s.isOnNew && done.has(s.id)) return [{ ...s, id: `back ${s.id}`, words: say.backOntoTheOld(s.words) }];
    return s.undoes !== undefined && done.has(s.undoes) && !undone.has(s.undoes) ? [s] : [];
  });
}
