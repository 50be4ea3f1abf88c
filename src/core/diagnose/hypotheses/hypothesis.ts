import { assemblyOfFault, type Change, type Fault, faultId, type Machine } from "../../model";
import { say } from "#words/core/diagnose/hypotheses";

/**
 * What may be true of the machine. Nothing wrong, one fault (with what it has brought about, where the file says so)
 * and "something else" are always weighed; two faults and a unit that is not as drawn only when none of those fits, see
 * `wider`.
 */
export type Hypothesis =
  | { readonly kind: "no fault"; readonly id: "no-fault"; readonly assembly: "no-fault"; readonly prior: number }
  | {
      readonly kind: "fault";
      readonly id: string;
      /** The fault itself: the cause, where others came of it. */
      readonly fault: Fault;
      /** What it has brought about. */
      readonly led: readonly Fault[];
      readonly assembly: string;
      readonly prior: number;
    }
  | {
      readonly kind: "two faults";
      readonly id: string;
      readonly faults: readonly [Fault, Fault];
      readonly assemblies: readonly [string, string];
      readonly assembly: string;
      readonly prior: number;
    }
  | {
      readonly kind: "not as drawn";
      readonly id: string;
      readonly change: Change;
      readonly words: string;
      readonly assembly: "not-as-drawn";
      readonly prior: number;
    }
  | {
      readonly kind: "something else";
      readonly id: "something-else";
      readonly assembly: "something-else";
      readonly prior: number;
    };

/** Shares of belief before any evidence that lie outside the single faults; estimate E20. */
export const NO_FAULT_PRIOR = 0.03;
export const SOMETHING_ELSE_PRIOR = 0.03;

/**
 * All hypotheses that are always weighed, faults in file order, priors adding to one; of a machine whose board is opened
 * those of its components.
 */
export function hypothesesOf(machine: Machine): readonly Hypothesis[] {
  const faults = machine.parts.flatMap((part) =>
    part.modes.flatMap((mode) => {
      const fault = { part: part.id, mode: mode.id };
      const assembly = assemblyOfFault(machine, fault);
      return machine.opened && machine.assemblyById.get(assembly)?.on !== machine.opened
        ? []
        : [{ fault, piece: assembly, odds: mode.odds }];
    }),
  );
  const total = faults.reduce((sum, f) => sum + f.odds, 0);
  const share = (1 - NO_FAULT_PRIOR - SOMETHING_ELSE_PRIOR) / total;
  return [
    { kind: "no fault", id: "no-fault", assembly: "no-fault", prior: NO_FAULT_PRIOR },
    ...faults.flatMap((f): Hypothesis[] => {
      // Of the times this fault is met, in some it has already taken another part with it.
      const led = machine.file.causes.filter((c) => c.part === f.fault.part && c.mode === f.fault.mode);
      const along = led.reduce((sum, c) => sum + c.share, 0);
      return [
        {
          kind: "fault",
          id: faultId(f.fault),
          fault: f.fault,
          led: [],
          assembly: f.piece,
          prior: f.odds * share * (1 - along),
        },
        ...led.map((c): Hypothesis => ({
          kind: "fault",
          id: `${faultId(f.fault)}>${faultId(c.then)}`,
          fault: f.fault,
          led: [c.then],
          assembly: f.piece,
          prior: f.odds * share * c.share,
        })),
      ];
    }),
    { kind: "something else", id: "something-else", assembly: "something-else", prior: SOMETHING_ELSE_PRIOR },
  ];
}

/** The faults that are in the machine under a hypothesis, those in assemblies already replaced left out. */
export function faultsOf(machine: Machine, hypothesis: Hypothesis, replaced: readonly string[] = []): readonly Fault[] {
  let all: Fault[] | readonly [Fault, Fault];
  if (hypothesis.kind === "fault") all = [hypothesis.fault, ...hypothesis.led];
  else if (hypothesis.kind === "two faults") all = hypothesis.faults;
  else all = [];
  return replaced.length === 0 ? all : all.filter((f) => !replaced.includes(assemblyOfFault(machine, f)));
}

/** The assemblies that have to be repaired under a hypothesis, the one to begin with first. */
export function assembliesOf(machine: Machine, hypothesis: Hypothesis): readonly string[] {
  if (hypothesis.kind === "two faults") return hypothesis.assemblies;
  if (hypothesis.kind !== "fault") return [hypothesis.assembly];
  return [...new Set([hypothesis.assembly, ...hypothesis.led.map((f) => assemblyOfFault(machine, f))])];
}

/** The assemblies that a hypothesis blames: both of two faults, but not what the one fault has taken with it. */
export function blamedAssemblies(hypothesis: Hypothesis): readonly string[] {
  return hypothesis.kind === "two faults" ? hypothesis.assemblies : [hypothesis.assembly];
}

/** A hypothesis as said to a technician. */
export function hypothesisName(machine: Machine, hypothesis: Hypothesis): string {
  switch (hypothesis.kind) {
    case "no fault":
      return say.nothingWrong;
    case "something else":
      return say.somethingElse;
    case "not as drawn":
      return hypothesis.words;
    case "fault":
      return [
        faultName(machine, hypothesis.fault),
        ...hypothesis.led.map((f) => say.andWithIt(faultName(machine, f))),
      ].join(", ");
    case "two faults":
      return hypothesis.faults.map((f) => faultName(machine, f)).join("; and ");
  }
}

/** A fault as said to a technician. */
export function faultName(machine: Machine, fault: Fault): string {
  const part = machine.partById.get(fault.part)!;
  return `${part.name}: ${part.modes.find((m) => m.id === fault.mode)!.words}`;
}

/** An assembly, or two joined by +, as said to a technician. */
export function assemblyName(machine: Machine, assembly: string): string {
  if (assembly === "no-fault") return say.nothingWrong;
  if (assembly === "something-else") return say.somethingElse;
  if (assembly === "not-as-drawn") return say.differsFromTheFile;
  return assembly
    .split("+")
    .map((p) => machine.assemblyById.get(p)?.name ?? p)
    .join(" and ");
}
