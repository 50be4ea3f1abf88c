import type { Machine } from "../machine/compile";
import { faultId, type Fault } from "../machine/fault";

/** What may be true of the machine: nothing wrong, one fault, or something the file does not know. */
export type Hypothesis =
  | { readonly kind: "no fault"; readonly id: "no-fault"; readonly piece: "no-fault"; readonly prior: number }
  | { readonly kind: "fault"; readonly id: string; readonly fault: Fault; readonly piece: string; readonly prior: number }
  | { readonly kind: "something else"; readonly id: "something-else"; readonly piece: "something-else"; readonly prior: number };

/** Shares of belief before any evidence that lie outside the single faults; judgement, from memory. */
export const NO_FAULT_PRIOR = 0.03;
export const SOMETHING_ELSE_PRIOR = 0.03;

/** All hypotheses of a machine, faults in file order, priors adding to one. */
export function hypothesesOf(machine: Machine): readonly Hypothesis[] {
  const faults = machine.parts.flatMap((part) => part.modes.map((mode) => ({ fault: { part: part.id, mode: mode.id }, piece: part.piece, odds: mode.odds })));
  const total = faults.reduce((sum, f) => sum + f.odds, 0);
  const share = (1 - NO_FAULT_PRIOR - SOMETHING_ELSE_PRIOR) / total;
  return [
    { kind: "no fault", id: "no-fault", piece: "no-fault", prior: NO_FAULT_PRIOR },
    ...faults.map((f) => ({ kind: "fault" as const, id: faultId(f.fault), fault: f.fault, piece: f.piece, prior: f.odds * share })),
    { kind: "something else", id: "something-else", piece: "something-else", prior: SOMETHING_ELSE_PRIOR },
  ];
}

/** A hypothesis as said to a technician. */
export function hypothesisName(machine: Machine, hypothesis: Hypothesis): string {
  if (hypothesis.kind === "no fault") return "Nothing wrong";
  if (hypothesis.kind === "something else") return "Something else";
  const part = machine.partById.get(hypothesis.fault.part)!;
  return `${part.name}: ${part.modes.find((m) => m.id === hypothesis.fault.mode)!.words}`;
}

/** A piece as said to a technician. */
export function pieceName(machine: Machine, piece: string): string {
  if (piece === "no-fault") return "Nothing wrong";
  if (piece === "something-else") return "Something else";
  return machine.pieceById.get(piece)?.name ?? piece;
}
