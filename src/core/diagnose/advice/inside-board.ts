import { canOpen } from "../../model";
import { inSentence } from "../../quantity";
import { insideOf } from "../dictionary/further-dictionaries";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { AssemblySuspect } from "../belief/suspects";
import { NAMED, type Stop } from "./stop";
import { say } from "#words/core/diagnose/advice";

/** The search inside a board that was found: the board, and what of it is suspected, component by component. */
export interface InsideBoard {
  readonly board: string;
  readonly suspects: readonly AssemblySuspect[];
}

/** What of the advice changes when the search goes on inside. */
interface Search {
  readonly suspects: readonly AssemblySuspect[];
  readonly stop: Stop | null;
  readonly cleared: unknown;
  readonly proofs: unknown;
}

/**
 * The board at which a search ended that somebody who repairs boards goes on inside; null where it ended elsewhere, or
 * where the file has only one thing on it.
 */
export function boardToOpen({ machine }: FaultDictionary, stop: Stop | null): string | null {
  if (stop?.kind !== "found" || stop.assemblies.length !== 1) return null;
  const [assembly] = stop.assemblies as [string];
  return canOpen(machine, assembly) ? assembly : null;
}

/**
 * Goes on inside the board at which the search over the whole machine ended. All that was read before counts on; what is
 * said of the whole machine stays as it was. `advise` is the search itself, here over the components of the board alone.
 */
export function goOnInside<A extends Search>(
  whole: A,
  dictionary: FaultDictionary,
  board: string,
  search: (opened: FaultDictionary) => A,
): A & { readonly inside: InsideBoard } {
  const opened = insideOf(dictionary, board);
  const inside = search(opened);
  const { stop } = inside;
  return {
    ...inside,
    suspects: whole.suspects,
    cleared: whole.cleared,
    proofs: whole.proofs,
    stop: stop && {
      ...stop,
      kind: stop.kind === "found" || stop.kind === "likely" ? stop.kind : "found",
      assemblies: [board],
      sentence: sentenceOf(inside, opened.machine.assemblyById.get(board)!.name),
    },
    inside: { board, suspects: inside.suspects.filter((s) => opened.machine.assemblyById.has(s.assembly)) },
  };
}

/** How the search inside a board ended. The board itself is found: what is not told apart on it is named together. */
function sentenceOf({ stop, suspects }: Search, board: string): string {
  const [top] = suspects;
  const faults = suspects
    .filter((s) => s.assembly.includes("/") && s.probability >= NAMED)
    .map((s) => inSentence(s.faults[0]?.name ?? s.name));
  if (faults.length === 0) return say.noComponentFits(board);
  if (stop?.kind === "found" && top) return say.theComponentIs(board, inSentence(top.faults[0]?.name ?? top.name));
  return say.oneOfTheComponents(board, faults.join(", "));
}
