import { testKey } from "../simulate/test";
import type { Standing } from "./cost";
import type { Evidence } from "./evidence";
import type { Isolation, RatedTest } from "./isolation";
import { propose, type Proposal } from "./proposal";
import { clearedParts, partDoubt, pieceSuspects, type ClearedPart, type PieceSuspect } from "./suspects";

/** Why the search has ended, as a sentence. */
export interface Stop {
  readonly kind: "found" | "group" | "something else" | "nothing wrong";
  readonly pieces: readonly string[];
  readonly sentence: string;
}

/** Everything the job screen shows of the state of the search. */
export interface Advice {
  readonly suspects: readonly PieceSuspect[];
  readonly cleared: readonly ClearedPart[];
  readonly doubt: Readonly<Record<string, number>>;
  readonly next: Proposal | null;
  readonly alternatives: readonly RatedTest[];
  readonly stop: Stop | null;
}

/** Certainty at which a piece is held to be found. */
export const FOUND = 0.985;
/** A board costs most and is blamed wrongly most often, and "nothing wrong" sends everyone home: both take more. */
export const FOUND_SURELY = 0.995;

/** Whether the leading piece is certain enough to end the search. */
export function isFound(isolation: Isolation, top: PieceSuspect): boolean {
  const surely = top.piece === "no-fault" || isolation.machine.pieceById.get(top.piece)?.board === true;
  return top.probability >= (surely ? FOUND_SURELY : FOUND);
}

/** What to believe and what to do next. Pure: the same inputs give the same advice. */
export function advise(isolation: Isolation, evidence: readonly Evidence[], standing: Standing): Advice {
  const beliefs = isolation.beliefs(evidence);
  const suspects = pieceSuspects(isolation, beliefs);
  const made = new Set(evidence.flatMap((e) => (e.type === "reading" ? [testKey(e.test)] : [])));
  const top = suspects[0]!;
  const settled = isFound(isolation, top);
  const rated = settled ? [] : isolation.rate(beliefs.probability, standing, made);
  const chosen = isolation.choose(rated);
  const second = rated.find((r) => r !== chosen);
  return {
    suspects,
    cleared: clearedParts(isolation, beliefs),
    doubt: partDoubt(isolation, beliefs),
    next: chosen ? propose(isolation, beliefs, standing, chosen, second) : null,
    alternatives: rated.filter((r) => r !== chosen).slice(0, 3),
    stop: chosen ? null : stopOf(suspects, settled),
  };
}

function stopOf(suspects: readonly PieceSuspect[], settled: boolean): Stop {
  const top = suspects[0]!;
  if (top.piece === "no-fault" && (settled || top.probability > 0.5)) return { kind: "nothing wrong", pieces: [], sentence: "Every reading is what a sound machine shows." };
  if (top.piece === "something-else" && (settled || top.probability > 0.5)) return { kind: "something else", pieces: [], sentence: "The readings fit no single fault in the file. Measure the odd one again, or look for what is not drawn." };
  if (settled) return { kind: "found", pieces: [top.piece], sentence: `What remains lies in one piece: ${top.name}.` };
  const left = suspects.filter((s) => s.probability >= 0.05 && s.piece !== "no-fault" && s.piece !== "something-else");
  return { kind: "group", pieces: left.map((s) => s.piece), sentence: `No safe test tells these apart: ${left.map((s) => s.name).join(", ")}. Start with the one that is cheapest to prove.` };
}
