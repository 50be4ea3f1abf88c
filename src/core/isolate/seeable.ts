import type { Machine } from "../machine/compile";
import { FLICKERS } from "../machine/parts/kind";
import { RECHECK, type Instant } from "../simulate/test";
import { signsOf } from "./signs";
import { labelWords } from "./proposal";

/** Why something cannot have been seen on this machine, as a sentence; null when it can. */
export function unseeable(
  machine: Machine,
  seen: { readonly setup: string; readonly part: string; readonly label: string; readonly instant?: Instant },
): string | null {
  const name = `${machine.file.maker} ${machine.file.model}`;
  if (!machine.setupById.has(seen.setup)) return `${name} has no setup ${seen.setup}. Nothing was logged.`;
  const part = machine.partById.get(seen.part);
  if (!part?.labels) return `${name} has nothing called ${seen.part} to look at. Nothing was logged.`;
  const labels: readonly string[] = seen.instant === "recheck" ? RECHECK : [...part.labels, FLICKERS];
  if (labels.includes(seen.label)) return null;
  return `${part.name} of ${name} cannot show "${seen.label}". It knows ${labels.map(labelWords).join("; ")}. Nothing was logged.`;
}

/** Why a sign or a piece does not belong to this machine, as a sentence; null when it does. */
export function unknownSign(machine: Machine, part: string, sign: string): string | null {
  return signsOf(machine).some((s) => s.part === part && s.sign === sign)
    ? null
    : `There is no such sign on ${machine.file.maker} ${machine.file.model}. Nothing was logged.`;
}

export function unknownPiece(machine: Machine, piece: string): string | null {
  return machine.pieceById.has(piece)
    ? null
    : `${machine.file.maker} ${machine.file.model} has no piece ${piece}. Nothing was logged.`;
}

/** Why a question does not belong to this machine, as a sentence; null when it does. */
export function unaskable(machine: Machine, first: string): string | null {
  return first === "*" || machine.file.firsts.some((f) => f.id === first)
    ? null
    : `There is no such question for ${machine.file.maker} ${machine.file.model}. Nothing was logged.`;
}
