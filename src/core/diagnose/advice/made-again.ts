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
import { type RatedTest, rateOne } from "../planning/rating";
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
 * The reading without which the assembly would not be held for the fault, if there is one that was made once only and can
 * be made again just so. A slip is rare, but it is the one thing that sends a person home with the wrong part.
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
  const made = new Map<string, number>();
  for (const e of evidence) if (e.type === "reading") made.set(testKey(e.test), (made.get(testKey(e.test)) ?? 0) + 1);
  const hinges = evidence
    .flatMap((e) => {
      if (
        e.type !== "reading" ||
        e.test.instant !== "settled" ||
        // It is a reading that is made again, not a look, and each of them once.
        e.test.function === "look" ||
        made.get(testKey(e.test))! > 1 ||
        (e.repairs?.length ?? 0) !== (unitState.repairs?.length ?? 0)
      )
        return [];
      const log = beliefs.byEvidence.get(e.id);
      if (!log) return [];
      const most = log.reduce((a, b) => Math.max(a, b), -Infinity);
      let [own, all] = [0, 0];
      beliefs.probability.forEach((p, h) => {
        const without = p / Math.exp(log[h]! - most);
        all += without;
        if (mine[h]) own += without;
      });
      const left = own / all;
      return left < HANGS ? [{ test: e.test, left }] : [];
    })
    .filter(
      ({ test }) =>
        forbidden(machine, machine.setupById.get(test.setup)!, test) === null &&
        canMake(machine, test, unitState.equipment ?? ALL_EQUIPMENT),
    );
  const worst = hinges.sort((a, b) => a.left - b.left || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0];
  return worst ? rateOne(dictionary, beliefs.probability, unitState, worst.test) : null;
}
