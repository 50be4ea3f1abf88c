import type { Machine } from "../../model";
import { comesAndGoes, type Evidence, isSaidToComeAndGo } from "./evidence";
import { aloneLikelihood } from "./bench-verdict";
import { answerLikelihood } from "./simple-causes";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import type { Stopwatch } from "./timed-observation";
import { trialLikelihood } from "./tried-by-hand";
import { repairLikelihood, signChance, WHOLE_UNIT } from "./signs";

/** One thing said, seen or tried without a meter, and how likely it is under a hypothesis. */
export interface Statement {
  readonly id: string;
  likelihood(hypothesis: Hypothesis): number;
}

/** Answers, signs, repairs tried and things timed, as far as they stand: of a question or sign, the last answer. */
export function saidOf(machine: Machine, stopwatch: Stopwatch, evidence: readonly Evidence[]): readonly Statement[] {
  const said: Statement[] = [];
  const complaint = evidence.find((e) => e.type === "complaint")?.complaint ?? "";
  for (const e of evidence)
    if (e.type === "complaint" && e.comesAndGoes && !evidence.some(isSaidToComeAndGo))
      said.push({ id: e.id, likelihood: (h) => signChance(machine, WHOLE_UNIT, "comes-and-goes", h) ?? 1 });
  const from = machine.file.complaints.find((c) => c.id === complaint)?.from ?? [];
  const complained = evidence.find((e) => e.type === "complaint");
  if (complained && from.length > 0) said.push({ id: complained.id, likelihood: (h) => comesFrom(machine, from, h) });
  const last = new Map(evidence.flatMap((e) => (e.type === "answer" ? [[e.first, e] as const] : [])));
  for (const e of last.values()) {
    const first = machine.file.firsts.find((f) => f.id === e.first);
    if (first) said.push({ id: e.id, likelihood: (h) => answerLikelihood(machine, complaint, first, e.answer, h) });
  }
  const signs = new Map(evidence.flatMap((e) => (e.type === "sign" ? [[`${e.part} ${e.sign}`, e] as const] : [])));
  for (const e of signs.values()) {
    said.push({
      id: e.id,
      likelihood: (h) => {
        const there = signChance(machine, e.part, e.sign, h);
        if (there === null) return 1;
        return e.there ? there : 1 - there;
      },
    });
  }
  // Tested again, the part is as the last test found it.
  const alone = new Map(evidence.flatMap((e) => (e.type === "alone" ? [[e.part, e] as const] : [])));
  for (const e of alone.values()) said.push({ id: e.id, likelihood: (h) => aloneLikelihood(machine, e, h) });
  // What comes and goes is gone after any repair for a while: that says nothing.
  const isFleeting = comesAndGoes(evidence);
  for (const e of evidence)
    if (e.type === "tried" && !(isFleeting && e.result === "gone"))
      said.push({ id: e.id, likelihood: (h) => repairLikelihood(machine, e.assembly, e.result, h) });
  // Made again, the last stands.
  const byHand = new Map(evidence.flatMap((e) => (e.type === "by hand" ? [[`${e.trial} ${e.of}`, e] as const] : [])));
  for (const e of byHand.values())
    said.push({ id: e.id, likelihood: (h) => trialLikelihood(machine, complaint, e, h) });
  for (const e of evidence)
    if (e.type === "timed") said.push({ id: e.id, likelihood: (h) => stopwatch.likelihood(e, h) });
  return said;
}

/** How often a complaint is made of a unit in which nothing has failed that it can come from; estimate E50. */
const FROM_ELSEWHERE = 0.002;

/**
 * Likelihood of a complaint that names what it can come from. A unit with nothing wrong may be complained of just so: it
 * comes from beside it.
 */
function comesFrom(machine: Machine, from: readonly string[], hypothesis: Hypothesis): number {
  if (hypothesis.kind === "no fault" || hypothesis.kind === "something else") return 1;
  const faults = faultsOf(machine, hypothesis);
  return faults.some((f) => from.includes(f.part) || from.includes(`${f.part}:${f.mode}`)) ? 1 : FROM_ELSEWHERE;
}
