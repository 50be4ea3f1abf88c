import type { Evidence, Repair } from "../evidence/evidence";
import type { Machine } from "../../model";
import { blamedAssemblies, faultsOf, hypothesisName, assemblyName, type Hypothesis } from "../hypotheses/hypothesis";
import { type Beliefs, involvement } from "./beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";

/** How sure, in a word; the number is there for who asks. */
export type Likeliness = "likely" | "possible" | "unlikely";

export function likeliness(probability: number): Likeliness {
  if (probability >= 0.5) return "likely";
  return probability >= 0.08 ? "possible" : "unlikely";
}

/** One thing that may have to be repaired, with the ways in which it may have failed. */
export interface AssemblySuspect {
  readonly assembly: string;
  readonly name: string;
  readonly probability: number;
  readonly word: Likeliness;
  readonly faults: readonly { readonly id: string; readonly name: string; readonly probability: number }[];
}

/** A part that evidence has made nearly impossible as the culprit, and the evidence that did most of it. */
export interface ClearedPart {
  readonly part: string;
  readonly name: string;
  readonly by: readonly string[];
}

/** Shares of belief nearer than this are alike: the likelier to fail comes first; estimate E49. */
const ALIKE = 0.005;

/** Below this an assembly is no longer listed as a suspect, a part counts as cleared. */
const CLEARED = 0.005;

/**
 * Assemblies still possible, most likely first; of those alike the one that fails more often. With two faults both
 * count, so the shares may add to more than one.
 */
export function assemblySuspects(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  repairs: readonly Repair[] = [],
): readonly AssemblySuspect[] {
  const { machine } = dictionary;
  const left = stillThere(dictionary, beliefs, repairs);
  const prior = new Map<string, number>();
  for (const h of dictionary.hypotheses) prior.set(h.assembly, (prior.get(h.assembly) ?? 0) + h.prior);
  return [...involvement(dictionary, beliefs.probability, repairs)]
    .map(([assembly, probability]) => ({
      assembly,
      name: assemblyName(machine, assembly),
      probability,
      word: likeliness(probability),
      faults: left
        .filter(({ h, probability }) => blamedAssemblies(h).includes(assembly) && probability >= CLEARED / 5)
        .sort((a, b) => b.probability - a.probability)
        .map(({ h, probability }) => ({ id: h.id, name: hypothesisName(machine, h), probability })),
    }))
    .filter((s) => s.probability >= CLEARED)
    .sort(
      (a, b) =>
        Math.round(b.probability / ALIKE) - Math.round(a.probability / ALIKE) ||
        (prior.get(b.assembly) ?? 0) - (prior.get(a.assembly) ?? 0) ||
        b.probability - a.probability ||
        (a.assembly < b.assembly ? -1 : 1),
    );
}

/** What may be wrong now, each once: what two hypotheses leave alike after a repair is one. */
function stillThere(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  repairs: readonly Repair[],
): readonly { readonly h: Hypothesis; readonly probability: number }[] {
  const found = new Map<string, { h: Hypothesis; probability: number }>();
  dictionary.hypotheses.forEach((_, i) => {
    const h = dictionary.left(i, repairs);
    const known = found.get(h.id);
    if (known) known.probability += beliefs.probability[i]!;
    else found.set(h.id, { h, probability: beliefs.probability[i]! });
  });
  return [...found.values()];
}

/** The repairs in evidence, in order. */
export function repairsOf(evidence: readonly Evidence[]): readonly Repair[] {
  return evidence.flatMap((e) => (e.type === "tried" ? [{ assembly: e.assembly, result: e.result }] : []));
}

/** Probability that each part is at fault, for drawing doubt where it lies. */
export function partDoubt(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  repairs: readonly Repair[] = [],
): Readonly<Record<string, number>> {
  const doubt: Record<string, number> = {};
  for (const { h, probability } of stillThere(dictionary, beliefs, repairs))
    for (const f of faultsOf(dictionary.machine, h)) doubt[f.part] = (doubt[f.part] ?? 0) + probability;
  return doubt;
}

/**
 * Parts cleared by evidence, in file order, each with what cleared it: for every failure mode, the evidence that
 * spoke most against it.
 */
export function clearedParts(dictionary: FaultDictionary, beliefs: Beliefs): readonly ClearedPart[] {
  const { machine, hypotheses } = dictionary;
  if (beliefs.byEvidence.size === 0) return [];
  const best = new Map(
    [...beliefs.byEvidence].map(([id, log]) => [id, log.reduce((a, b) => Math.max(a, b), -Infinity)]),
  );
  const doubt = partDoubt(dictionary, beliefs);
  return machine.parts.flatMap((part: Machine["parts"][number]) => {
    const modes = hypotheses
      .map((h, index) => ({ h, index }))
      .filter(({ h }) => h.kind === "fault" && h.fault.part === part.id);
    const prior = modes.reduce((sum, { h }) => sum + h.prior, 0);
    if (modes.length === 0 || (doubt[part.id] ?? 0) >= Math.min(CLEARED, prior / 2)) return [];
    const by = new Set<string>();
    for (const { index } of modes) {
      let least = -0.5;
      let strongest: string | null = null;
      for (const [id, log] of beliefs.byEvidence) {
        const against = log[index]! - best.get(id)!;
        if (against < least) {
          least = against;
          strongest = id;
        }
      }
      if (strongest) by.add(strongest);
    }
    return [{ part: part.id, name: part.name, by: [...by] }];
  });
}
