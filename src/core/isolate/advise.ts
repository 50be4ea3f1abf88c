import { exposureOf } from "../hazard/exposure";
import { forbidden } from "../hazard/rules";
import { testKey, type Test } from "../simulate/test";
import type { Standing } from "./cost";
import type { Evidence } from "./evidence";
import { ALL_MEANS, canMake, type Means } from "./means";
import { isCause, isModelled } from "./firsts";
import type { Beliefs, Isolation, RatedTest } from "./isolation";
import { proofsFor } from "./proofs";
import { propose, type Proposal } from "./proposal";
import { clearedParts, partDoubt, pieceSuspects, type ClearedPart, type PieceSuspect } from "./suspects";
import { verdictOf, windowOf } from "./window";

/** Why the search has ended, as a sentence. */
export interface Stop {
  readonly kind: "found" | "group" | "something else" | "nothing wrong" | "simple cause";
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
  const simple = simpleCause(isolation, evidence);
  const settled = simple !== null || isFound(isolation, top);
  const rated = settled ? [] : isolation.rate(beliefs.probability, standing, made);
  const proof = settled && !simple ? openProof(isolation, beliefs, standing, evidence, top.piece, made) : null;
  const chosen = proof?.test ?? isolation.choose(rated);
  const second = rated.find((r) => r !== chosen);
  return {
    suspects,
    cleared: clearedParts(isolation, beliefs),
    doubt: partDoubt(isolation, beliefs),
    next: chosen ? propose(isolation, beliefs, standing, chosen, second, proof?.words) : null,
    alternatives: rated.filter((r) => r !== chosen).slice(0, 3),
    stop: simple ?? (chosen ? null : stopOf(suspects, settled, standing.means ?? ALL_MEANS)),
  };
}

/** A simple cause that was found and is no fault of the machine: it is put right and tried, before anything is measured. The last answer to a question stands. */
function simpleCause({ machine }: Isolation, evidence: readonly Evidence[]): Stop | null {
  const last = new Map(evidence.flatMap((e) => (e.type === "answer" ? [[e.first, e.answer] as const] : [])));
  const found = machine.file.firsts.find((f) => { const a = last.get(f.id); return a !== undefined && isCause(f, a) && !isModelled(f); });
  return found ? { kind: "simple cause", pieces: [], sentence: found.then } : null;
}

/**
 * What is still unproven of a board that is about to be blamed (its feed, its ground, the request to it, its output, no
 * shorted load behind it): the cheapest test that would show it, a dead one before a live one. Null when nothing is left to prove.
 */
function openProof(isolation: Isolation, beliefs: Beliefs, standing: Standing, evidence: readonly Evidence[], piece: string, made: ReadonlySet<string>): { readonly words: string; readonly test: RatedTest } | null {
  const { machine } = isolation;
  const judged = evidence.flatMap((e) => (e.type === "reading" ? [{ id: e.id, test: e.test, verdict: verdictOf(windowOf(e.test, isolation.predictionsFor(e.test)[0]!, isolation.meter), e.shown) }] : []));
  const setupOf = (t: Test) => machine.setupById.get(t.setup)!;
  // One whose test was made and showed the opposite is not asked for again in another form.
  const open = proofsFor(machine, piece, judged).filter((p) => p.by === null && !p.tests.some((t) => made.has(testKey(t)))).flatMap((p) => {
    const allowed = p.tests.filter((t) => forbidden(machine, setupOf(t), t) === null && canMake(machine, t, standing.means ?? ALL_MEANS));
    // What can be shown without touching anything live is never shown live.
    const safe = allowed.filter((t) => exposureOf(machine, setupOf(t), t) !== "live");
    return (safe.length > 0 ? safe : allowed).map((t) => ({ words: p.words, test: isolation.rateOne(beliefs.probability, standing, t) }));
  });
  const effort = (r: RatedTest) => r.minutes + r.risk;
  return open.sort((a, b) => effort(a.test) - effort(b.test) || (testKey(a.test.test) < testKey(b.test.test) ? -1 : 1))[0] ?? null;
}

const isLimited = (means: Means) => !means.live || !means.clamp || !means.dcClamp;

function stopOf(suspects: readonly PieceSuspect[], settled: boolean, means: Means): Stop {
  const top = suspects[0]!;
  if (top.piece === "no-fault" && (settled || top.probability > 0.5)) return { kind: "nothing wrong", pieces: [], sentence: "Every reading is what a sound machine shows." };
  if (top.piece === "something-else" && (settled || top.probability > 0.5)) return { kind: "something else", pieces: [], sentence: "The readings fit no single fault in the file. Measure the odd one again, or look for what is not drawn." };
  if (settled) return { kind: "found", pieces: [top.piece], sentence: `What remains lies in one piece: ${top.name}.` };
  const left = suspects.filter((s) => s.probability >= 0.05 && s.piece !== "no-fault" && s.piece !== "something-else");
  return { kind: "group", pieces: left.map((s) => s.piece), sentence: `No ${isLimited(means) ? "test with your means" : "safe test"} tells these apart: ${left.map((s) => s.name).join(", ")}. ${isLimited(means) ? "Hand over to someone who may measure live, or has the clamp." : "Start with the one that is cheapest to prove."}` };
}
