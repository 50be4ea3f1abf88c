import { type Change, faultId, has, type Machine, type PartEntry, ratings } from "../../model";
import { isSameReading, observationsOf, type Evidence, type Observation } from "../evidence/evidence";
import type { Hypothesis } from "../hypotheses/hypothesis";
import { likelihood } from "../reading/likelihood";
import { testKey } from "../../simulate";
import { saidOf } from "../evidence/without-a-meter";
import { sameNominal } from "../reading/window";
import { type Beliefs, involvement, believe } from "./beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { say } from "#words/core/diagnose/belief";

/**
 * Two faults, and a unit that is not as drawn. There are thousands of pairs and nearly always one fault is enough, so
 * they are weighed only when nothing single fits what was measured, and measured again.
 */

/** Share of belief, before any evidence, for two faults that have nothing to do with each other; estimate E05. */
const TWO_FAULTS_PRIOR = 0.02;
/** The same for a unit that is not as its file has it; estimate E06. */
const NOT_AS_DRAWN_PRIOR = 0.01;
/** Pairs that are simulated for what was measured, and those that stay in the search. */
const MOST_SIMULATED = 64;
const MOST_SEARCHED = 14;
/**
 * How far two faults that may bring about together what neither does alone are put before others, in nats; estimate E07.
 */
const TOGETHER = 4;
/** A reading is odd from this share of belief that it was a slip. */
export const ODD = 0.5;
/** A repaired assembly that is still this likely has been repaired badly, or is not alone; estimate E08. */
const LEADING = 0.4;
/** "Something else" this likely calls for a wider look by itself. */
const ELSE = 0.2;

/** An entry of evidence that hardly fits what is believed. */
export interface OddOne {
  readonly evidence: string;
  /** Belief that it was a slip, 0 to 1. */
  readonly slip: number;
  /** Measured again with the same result; or of before a repair, so that it cannot be measured again. */
  readonly confirmed: boolean;
}

/** Evidence that nothing believed explains, the oddest first. */
export function oddOnes(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  beliefs: Beliefs,
): readonly OddOne[] {
  const odd = new Map<string, OddOne>();
  const repairs = evidence.filter((e) => e.type === "tried").length;
  const observations = observationsOf(dictionary.machine, dictionary.meter, evidence);
  for (const o of observations) {
    const again = evidence.filter(
      (e) => e.type === "reading" && e.id !== o.evidence && isSameTest(o, e) && isSameReading(dictionary.meter, o, e),
    ).length;
    const slip = slipShare(dictionary, o, beliefs.probability);
    const before = o.repairs.length < repairs;
    if (slip > (odd.get(o.evidence)?.slip ?? ODD))
      odd.set(o.evidence, { evidence: o.evidence, slip, confirmed: again > 0 || before });
  }
  return [...odd.values()].sort((a, b) => b.slip - a.slip || (a.evidence < b.evidence ? -1 : 1));
}

function isSameTest(o: Observation, e: Evidence): boolean {
  return (
    e.type === "reading" &&
    e.test.setup === o.test.setup &&
    e.test.function === o.test.function &&
    e.test.red === o.test.red &&
    e.test.black === o.test.black &&
    e.test.instant === o.test.instant
  );
}

/** How far what was shown is held to be a slip, over what is believed; before repeats make it less likely. */
function slipShare(dictionary: FaultDictionary, o: Observation, probability: Float64Array): number {
  const predictions = dictionary.predictionsAfter(o.test, o.repairs);
  let share = 0;
  for (let h = 0; h < predictions.length; h++) {
    if (probability[h]! < 1e-6) continue;
    if (dictionary.hypotheses[h]!.kind === "something else") {
      share += probability[h]!;
      continue;
    }
    const fit = (1 - o.slip) * likelihood(o.test, o.shown, predictions[h]!, dictionary.meter, 0);
    const whole = likelihood(o.test, o.shown, predictions[h]!, dictionary.meter, o.slip);
    share += probability[h]! * (1 - fit / Math.max(1e-300, whole));
  }
  return share;
}

/**
 * Whether what was measured calls for more than one fault: something odd was confirmed, or two things are odd, or
 * what the customer says is.
 */
export function callsForMore(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  beliefs: Beliefs,
  odd: readonly OddOne[],
): boolean {
  const complaint = new Set(evidence.flatMap((e) => (e.type === "complaint" || e.type === "compared" ? [e.id] : [])));
  const other = beliefs.probability[dictionary.hypotheses.findIndex((h) => h.kind === "something else")]!;
  // What is held for the fault was repaired, and the complaint stays: there may be more.
  const stayed = new Set(evidence.flatMap((e) => (e.type === "tried" && e.result === "stays" ? [e.assembly] : [])));
  if (
    stayed.size > 0 &&
    [...involvement(dictionary, beliefs.probability)].some(([assembly, p]) => p > LEADING && stayed.has(assembly))
  )
    return true;
  if (odd.length === 0 && other < ELSE) return false;
  return odd.some((o) => o.confirmed || complaint.has(o.evidence)) || odd.length >= 2;
}

/** The dictionary widened by the pairs of faults and the deviations that may explain the evidence. */
export function widen(dictionary: FaultDictionary, evidence: readonly Evidence[]): FaultDictionary {
  const { machine } = dictionary;
  const pairs = promisingPairs(dictionary, evidence);
  const changes = likelyChanges(machine);
  const measured = new Map(observationsOf(machine, dictionary.meter, evidence).map((o) => [testKey(o.test), o.test]));
  const trial = dictionary.widened([...pairs, ...changes], [...measured.values()]);
  const probability = believe(trial, evidence).probability;
  const first = dictionary.hypotheses.length;
  const ranked = [...pairs, ...changes]
    .map((h, i) => ({ h, p: probability[first + i]! }))
    .sort((a, b) => b.p - a.p || (a.h.id < b.h.id ? -1 : 1));
  return dictionary.widened(ranked.slice(0, MOST_SEARCHED).map(({ h }) => h));
}

/**
 * The pairs worth simulating. What a pair shows is nearly always what one of its two faults shows alone, or what a
 * sound machine shows: the best of the three at every reading says how well a pair could do at most, but for what only
 * both together bring about.
 */
function promisingPairs(dictionary: FaultDictionary, evidence: readonly Evidence[]): readonly Hypothesis[] {
  const { machine, hypotheses } = dictionary;
  const singles = hypotheses.flatMap((h, index) => (h.kind === "fault" && h.led.length === 0 ? [{ h, index }] : []));
  const observations = observationsOf(machine, dictionary.meter, evidence);
  const fits = observations.map((o) => {
    const predictions = dictionary.predictionsAfter(o.test, o.repairs);
    const of = (index: number) =>
      o.weight * Math.log(Math.max(1e-300, likelihood(o.test, o.shown, predictions[index]!, dictionary.meter, o.slip)));
    const [sound, single] = [of(0), singles.map(({ index }) => of(index))];
    const floor = o.weight * Math.log(o.slip * likelihood(o.test, o.shown, [], dictionary.meter, o.slip));
    // What no fault shows alone can only come of two together: of those that move this reading, rather one of degree.
    const alone = single.every((l) => l < floor + 1) && sound < floor + 1;
    const moves = singles.map(
      ({ index }) => alone && !sameNominal(o.test, predictions[index]!, predictions[0]!, dictionary.meter),
    );
    return { sound, single, moves };
  });
  const ofDegree = singles.map(
    ({ h }) => machine.partById.get(h.fault.part)!.modes.find((m) => m.id === h.fault.mode)!.severity !== undefined,
  );
  const sum = singles.reduce((total, { h }) => total + h.prior, 0);
  const own = singles.map(({ h }) => Math.log(h.prior / sum));
  const said = saidOf(machine, dictionary.stopwatch, evidence);
  const scored: { a: number; b: number; score: number }[] = [];
  for (let a = 0; a < singles.length; a++)
    for (let b = a + 1; b < singles.length; b++) {
      if (singles[a]!.h.fault.part === singles[b]!.h.fault.part) continue;
      let score = own[a]! + own[b]!;
      for (const { sound, single, moves } of fits) {
        score += Math.max(sound, single[a]!, single[b]!);
        if (moves[a] || moves[b]) score += TOGETHER + (ofDegree[a] || ofDegree[b] ? TOGETHER / 2 : 0);
      }
      scored.push({ a, b, score });
    }
  scored.sort((x, y) => y.score - x.score || x.a - y.a || x.b - y.b);
  const pairOf = (a: number, b: number): Hypothesis => {
    const two = [singles[a]!.h, singles[b]!.h].sort((x, y) => y.prior - x.prior || (x.id < y.id ? -1 : 1)) as [
      (typeof singles)[number]["h"],
      (typeof singles)[number]["h"],
    ];
    const assemblies = [...new Set(two.map((h) => h.assembly))];
    return {
      kind: "two faults",
      id: two.map((h) => faultId(h.fault)).join("+"),
      faults: [two[0].fault, two[1].fault],
      assemblies: [two[0].assembly, two[1].assembly],
      assembly: assemblies.join("+"),
      prior: (2 * TWO_FAULTS_PRIOR * two[0].prior * two[1].prior) / sum ** 2,
    };
  };
  // What was answered, seen and tried is asked of the pair itself.
  return scored
    .slice(0, MOST_SIMULATED * 6)
    .map(({ a, b, score }) => {
      const h = pairOf(a, b);
      return { h, score: said.reduce((total, s) => total + Math.log(s.likelihood(h)), score) };
    })
    .sort((x, y) => y.score - x.score || (x.h.id < y.h.id ? -1 : 1))
    .slice(0, MOST_SIMULATED)
    .map(({ h }) => h);
}

/** What another heater than the drawn one may take, against it: half the size, twice it, one for the other mains. */
const OTHER_WATTS = [0.25, 0.5, 2] as const;

/** What is met on units that are not as drawn: something bridged, another heater than the right one. */
export function likelyChanges(machine: Machine): readonly Hypothesis[] {
  const found: { change: Change; words: string }[] = [];
  const drawn = new Set((machine.file.parts as PartEntry[]).map((p) => p.id));
  for (const part of machine.parts) {
    // Contacts, wires and rigs are the compiler's own; what was drawn as a part is meant.
    if (!drawn.has(part.id)) continue;
    const { id } = part;
    const { watts } = ratings(part);
    if (has(part, "often-bridged") && part.nodeOf.size === 2)
      found.push({ change: { change: "taken out", part: id, bridged: true }, words: say.nameIsBridged(part.name) });
    if (has(part, "heats") && watts !== undefined)
      for (const factor of OTHER_WATTS)
        found.push({
          change: { change: "other part", part: id, fields: { watts: watts * factor } },
          words: say.isOneOfWNot(part.name, Math.round(watts * factor), watts),
        });
  }
  return found.map(({ change, words }): Hypothesis => ({
    kind: "not as drawn",
    id: `as-found:${JSON.stringify(change)}`,
    change,
    words,
    assembly: "not-as-drawn",
    prior: NOT_AS_DRAWN_PRIOR / found.length,
  }));
}
