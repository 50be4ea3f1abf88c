import { type Test, testKey } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import { blamedAssemblies, assemblyName } from "../hypotheses/hypothesis";
import { windowWords } from "./test-sheet";
import { assemblySuspects, repairsOf } from "../belief/suspects";
import { windowOf } from "../reading/window";
import { type Beliefs, involvement, believe } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";

/**
 * Why a suspect is believed or doubted: one entry of evidence, how much it speaks, and what the model says it should
 * have been.
 */
export interface Reason {
  readonly evidence: string;
  readonly side: "for" | "against";
  /**
   * Weight of evidence, bits: how many times likelier it is with this suspect than with the others, as they were at
   * first (after Good, 1950).
   */
  readonly bits: number;
  /** What this suspect would show in the same test, in words; null where nothing is measured. */
  readonly wouldShow: string | null;
  /** The same if all is well. */
  readonly soundShows: string | null;
}

/** Less than this speaks neither way, bits. */
const SPEAKS = 0.4;

/** The reasons for and against an assembly, the strongest first. */
export function reasonsFor(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  beliefs: Beliefs,
  assembly: string,
): readonly Reason[] {
  const { hypotheses } = dictionary;
  const repairs = repairsOf(evidence);
  const mine = hypotheses.map((_, i) => blamedAssemblies(dictionary.left(i, repairs)).includes(assembly));
  // What speaks for it is held against what it would show as it is thought of now; what speaks against it, as it most
  // often fails.
  const own = leadingOf(beliefs.probability, mine);
  const usual = leadingOf(
    hypotheses.map((h) => h.prior),
    mine,
  );
  if (own < 0) return [];
  const tests = new Map(evidence.flatMap((e) => (e.type === "reading" ? [[e.id, e.test] as const] : [])));
  return [...beliefs.byEvidence]
    .flatMap(([id, log]): Reason[] => {
      const bits = weightOf(dictionary, log, mine);
      if (Math.abs(bits) < SPEAKS) return [];
      const test = tests.get(id);
      return [
        {
          evidence: id,
          side: bits > 0 ? "for" : "against",
          bits,
          wouldShow: test ? shows(dictionary, test, bits > 0 ? own : usual) : null,
          soundShows: test ? shows(dictionary, test, 0) : null,
        },
      ];
    })
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits) || (a.evidence < b.evidence ? -1 : 1));
}

/** The weightiest hypothesis of those marked; -1 where there is none. */
function leadingOf(weight: ArrayLike<number>, mine: readonly boolean[]): number {
  let best = -1;
  mine.forEach((is, i) => {
    if (is && (best < 0 || weight[i]! > weight[best]!)) best = i;
  });
  return best;
}

/** Both the suspect's ways of having failed and the others count by what was believed at first. */
function weightOf(dictionary: FaultDictionary, log: Float64Array, mine: readonly boolean[]): number {
  let [own, ownWeight, rest, restWeight] = [0, 0, 0, 0];
  dictionary.hypotheses.forEach((h, i) => {
    const likelihood = Math.exp(Math.max(-600, log[i]!));
    if (mine[i]) {
      own += h.prior * likelihood;
      ownWeight += h.prior;
    } else {
      rest += h.prior * likelihood;
      restWeight += h.prior;
    }
  });
  if (!(ownWeight > 0) || !(restWeight > 0)) return 0;
  return Math.log2(Math.max(1e-300, own / ownWeight) / Math.max(1e-300, rest / restWeight));
}

function shows(dictionary: FaultDictionary, test: Test, hypothesis: number): string {
  return windowWords(windowOf(test, dictionary.predictionsFor(test)[hypothesis]!, dictionary.meter), test.function);
}

/** How the suspects went, reading by reading. */
export interface History {
  readonly assemblies: readonly { readonly assembly: string; readonly name: string }[];
  /** After the complaint, and after each entry of evidence: its id, and the probability of each of `assemblies`. */
  readonly steps: readonly {
    readonly evidence: string;
    readonly test: string | null;
    readonly shares: readonly number[];
  }[];
}

/** Assemblies whose chance is drawn. */
const DRAWN = 5;

/** The probability of the leading assemblies after each entry of evidence, in the order in which it came. */
export function historyOf(dictionary: FaultDictionary, evidence: readonly Evidence[]): History {
  const after = evidence.map((_, i) => {
    const known = evidence.slice(0, i + 1);
    return involvement(dictionary, believe(dictionary, known).probability, repairsOf(known));
  });
  const now = assemblySuspects(dictionary, believe(dictionary, evidence), repairsOf(evidence));
  const most = new Map<string, number>();
  for (const shares of after)
    for (const [assembly, p] of shares) most.set(assembly, Math.max(most.get(assembly) ?? 0, p));
  const leading = now.slice(0, 2).map((s) => s.assembly);
  const others = [...most]
    .filter(([assembly]) => !leading.includes(assembly))
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .map(([assembly]) => assembly);
  const assemblies = [...leading, ...others].slice(0, DRAWN);
  return {
    assemblies: assemblies.map((assembly) => ({ assembly, name: assemblyName(dictionary.machine, assembly) })),
    steps: after.map((shares, i) => {
      const e = evidence[i]!;
      return {
        evidence: e.id,
        test: e.type === "reading" ? testKey(e.test) : null,
        shares: assemblies.map((p) => shares.get(p) ?? 0),
      };
    }),
  };
}
