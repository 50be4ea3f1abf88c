import type { Test } from "../../simulate";
import { blendAway, unprovoked } from "../dictionary/intermittent";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { observationsOf, surroundingsOf, type Evidence, type Repair } from "../evidence/evidence";
import { saidOf } from "../evidence/without-a-meter";
import { blamedAssemblies } from "../hypotheses/hypothesis";
import { SampleTrail } from "../reading/likelihood";

/** What each hypothesis is worth after the evidence, and how each observation moved it. */
export interface Beliefs {
  /** Probability of each hypothesis, in the order of `FaultDictionary.hypotheses`. */
  readonly probability: Float64Array;
  /** For each entry of evidence, the logarithm of its likelihood under each hypothesis. */
  readonly byEvidence: ReadonlyMap<string, Float64Array>;
}

/**
 * Bayes' rule over all the evidence at once, along each sample and then averaged; the order of evidence does not
 * matter.
 */
export function believe(dictionary: FaultDictionary, evidence: readonly Evidence[]): Beliefs {
  const n = dictionary.hypotheses.length;
  // Along each sample of each hypothesis, beginning with its weight.
  const surroundings = surroundingsOf(evidence);
  const known = dictionary.fitOf(surroundings);
  const along = dictionary.logWeights.map((w) => Float64Array.from(w, (l, k) => l + known[k]!));
  const weights = Object.keys(surroundings).length > 0 ? known.map(Math.exp) : undefined;
  const each = dictionary.logWeights.map((w) => new Float64Array(w.length));
  const trails = dictionary.logWeights.map((w) => new SampleTrail(w.length, dictionary.meter, weights));
  const byEvidence = new Map<string, Float64Array>();
  for (const o of observationsOf(dictionary.machine, dictionary.meter, evidence)) {
    const predictions = dictionary.predictionsAfter(o.test, o.repairs);
    const moved = byEvidence.get(o.evidence) ?? new Float64Array(n);
    for (let h = 0; h < n; h++) {
      trails[h]!.next(o.test, o.shown, predictions[h]!, o.slip, each[h]!, o.isLast);
      if (o.test.instant === "recheck" && o.shown.kind === "label")
        blendAway(dictionary.machine, dictionary.hypotheses[h]!, o.shown.label, o.slip, each[h]!);
      if (dictionary.comesAndGoes && !o.isComplaint) stayAway(dictionary, h, o.test, each);
      let mean = 0;
      each[h]!.forEach((l, s) => {
        along[h]![s]! += o.weight * Math.log(Math.max(1e-300, l));
        mean += l * Math.exp(dictionary.logWeights[h]![s]!);
      });
      moved[h]! += o.weight * Math.log(Math.max(1e-300, mean));
    }
    byEvidence.set(o.evidence, moved);
  }
  const answers = answerLogs(dictionary, evidence, byEvidence);
  const log = Float64Array.from(dictionary.hypotheses, (h, i) => Math.log(h.prior) + answers[i]! + logSum(along[i]!));
  const most = log.reduce((a, b) => Math.max(a, b), -Infinity);
  const probability = log.map((l) => Math.exp(l - most));
  const sum = probability.reduce((a, b) => a + b, 0);
  return { probability: probability.map((p) => p / sum), byEvidence };
}

/**
 * Along each sample of a hypothesis: the fault was there, or it stayed away and a sound machine was read. The sound
 * machine is the first hypothesis, and was weighed first.
 */
function stayAway(dictionary: FaultDictionary, h: number, test: Test, each: readonly Float64Array[]): void {
  const away = unprovoked(dictionary.machine, dictionary.hypotheses[h]!, test);
  if (away === 0) return;
  const sound = each[0]!.reduce((sum, l, s) => sum + l * Math.exp(dictionary.logWeights[0]![s]!), 0);
  each[h]!.forEach((l, s) => {
    each[h]![s] = (1 - away) * l + away * sound;
  });
}

/**
 * What answers, signs and repairs tried say of each hypothesis, as logarithms; the last answer to a question stands.
 */
function answerLogs(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  byEvidence: Map<string, Float64Array>,
): Float64Array {
  const sum = new Float64Array(dictionary.hypotheses.length);
  for (const { id, likelihood } of saidOf(dictionary.machine, dictionary.stopwatch, evidence)) {
    const own = Float64Array.from(dictionary.hypotheses, (h) => Math.log(likelihood(h)));
    own.forEach((l, h) => {
      sum[h]! += l;
    });
    const seen = byEvidence.get(id);
    byEvidence.set(id, seen ? own.map((l, h) => l + seen[h]!) : own);
  }
  return sum;
}

/** Probability that each assembly is at fault now, alone or with another. */
export function involvement(
  dictionary: FaultDictionary,
  probability: Float64Array,
  repairs: readonly Repair[] = [],
): ReadonlyMap<string, number> {
  const sums = new Map<string, number>();
  dictionary.hypotheses.forEach((_, i) => {
    for (const assembly of new Set(blamedAssemblies(dictionary.left(i, repairs))))
      sums.set(assembly, (sums.get(assembly) ?? 0) + probability[i]!);
  });
  return sums;
}

/** Logarithm of the sum of exponentials. */
function logSum(logs: Float64Array): number {
  const most = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  return most + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - most), 0));
}
