import { forbidden } from "../../safety";
import type { Machine } from "../../model";
import { inSentence } from "../../quantity";
import { type Test, testKey } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import { blamedAssemblies } from "../hypotheses/hypothesis";
import { type Beliefs } from "../belief/beliefs";
import { type OddOne } from "../belief/widening";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { UnitState } from "../planning/cost";
import { ALL_EQUIPMENT, canMake } from "../planning/equipment";
import { choose, rate, type RatedTest, rateOne } from "../planning/rating";
import { titleOf } from "./test-sheet";
import { say } from "#words/core/diagnose/advice";

/** Why a reading is made once more; it names the reading that is meant. */
export function againWords(machine: Machine, test: Test): string {
  return say.measureAgainTheLastReading(inSentence(titleOf(machine, test)));
}

/** An odd reading that was made once only is made again: the cheapest of them. Null when none is odd. */
export function measureAgain(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  odd: readonly OddOne[],
): RatedTest | null {
  const { machine } = dictionary;
  const tests = odd.flatMap((o) => {
    const reading = evidence.find((e) => e.id === o.evidence);
    if (
      o.confirmed ||
      reading?.type !== "reading" ||
      reading.test.instant !== "settled" ||
      (reading.repairs?.length ?? 0) !== (unitState.repairs?.length ?? 0)
    )
      return [];
    if (
      forbidden(machine, machine.setupById.get(reading.test.setup)!, reading.test) !== null ||
      !canMake(machine, reading.test, unitState.equipment ?? ALL_EQUIPMENT)
    )
      return [];
    return [rateOne(dictionary, beliefs.probability, unitState, reading.test)];
  });
  return (
    tests.sort((a, b) => a.minutes + a.risk - b.minutes - b.risk || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0] ??
    null
  );
}

/** Without a reading on which all hangs, less than this is left of what was found. */
const HANGS = 0.5;

/**
 * The decisive reading: the one without which least is left of what is held for the fault, if it was made once only and
 * can be made again just so. A slip is rare, but it is the one thing that sends a person home with the wrong part. The
 * other readings of the chain are not made again: each repeat buys less than it takes.
 */
export function hingeOf(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  assembly: string,
): RatedTest | null {
  const { machine } = dictionary;
  const mine = dictionary.hypotheses.map((_, h) =>
    blamedAssemblies(dictionary.left(h, unitState.repairs)).includes(assembly),
  );
  // The same test made again is the same reading: all of them are left out together.
  const groups = new Map<string, Evidence[]>();
  for (const e of evidence)
    if (e.type === "reading" && (e.repairs?.length ?? 0) === (unitState.repairs?.length ?? 0))
      groups.set(testKey(e.test), [...(groups.get(testKey(e.test)) ?? []), e]);
  const hinges = [...groups.values()].flatMap((same) => {
    const [first] = same;
    // It is a reading that is made again, not a look.
    if (first?.type !== "reading" || first.test.instant !== "settled" || first.test.function === "look") return [];
    const logs = same.flatMap((e) => beliefs.byEvidence.get(e.id) ?? []);
    if (logs.length === 0) return [];
    let [own, all] = [0, 0];
    const log = dictionary.hypotheses.map((_, h) => logs.reduce((sum, l) => sum + l[h]!, 0));
    const most = log.reduce((x, y) => Math.max(x, y), -Infinity);
    beliefs.probability.forEach((p, h) => {
      const without = p / Math.exp(log[h]! - most);
      all += without;
      if (mine[h]) own += without;
    });
    const left = own / all;
    return left < HANGS ? [{ test: first.test, left, times: same.length }] : [];
  });
  const decisive = hinges.sort((a, b) => a.left - b.left || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0];
  if (!decisive || decisive.times > 1) return null;
  const { test } = decisive;
  return forbidden(machine, machine.setupById.get(test.setup)!, test) === null &&
    canMake(machine, test, unitState.equipment ?? ALL_EQUIPMENT)
    ? rateOne(dictionary, beliefs.probability, unitState, test)
    : null;
}

/**
 * A second witness: while all that is known comes from one test, whatever it showed, the best other one as if that had
 * not been read. A model may be wrong about one reading; it is seldom wrong about two in the same way. Null once two
 * tests were made, or where no other tells anything. `made`: tests that are not made once more.
 */
export function secondWitness(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  made: ReadonlySet<string>,
): RatedTest | null {
  const readings = evidence.flatMap((e) => (e.type === "reading" ? [e] : []));
  if (new Set(readings.map((e) => testKey(e.test))).size !== 1) return null;
  const logs = readings.flatMap((e) => beliefs.byEvidence.get(e.id) ?? []);
  const log = dictionary.hypotheses.map((_, h) => logs.reduce((sum, l) => sum + l[h]!, 0));
  const most = log.reduce((x, y) => Math.max(x, y), -Infinity);
  const without = beliefs.probability.map((p, h) => p / Math.exp(Math.max(-300, log[h]! - most)));
  const whole = without.reduce((a, b) => a + b, 0);
  const rated = rate(
    dictionary,
    without.map((p) => p / whole),
    unitState,
    made,
  );
  return choose(dictionary.machine, rated);
}
