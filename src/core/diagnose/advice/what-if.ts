import type { Reading } from "../../quantity";
import type { Test } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import { outcomeOf } from "../dictionary/outcomes";
import { windowWords } from "./test-sheet";
import { assemblySuspects, repairsOf } from "../belief/suspects";
import { windowOf } from "../reading/window";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { believe } from "../belief/beliefs";
import { say } from "#words/core/diagnose/advice";

/** What one suspect predicts for a test. */
export interface WhatIf {
  readonly name: string;
  readonly fault: string | null;
  readonly shows: string;
}

const MOST = 3;

/** What a test would show if all is well, and under the leading suspects: the likeliest fault of each. */
export function whatIf(dictionary: FaultDictionary, evidence: readonly Evidence[], test: Test): readonly WhatIf[] {
  const suspects = assemblySuspects(dictionary, believe(dictionary, evidence), repairsOf(evidence))
    .filter((s) => s.faults.length > 0 && s.assembly !== "no-fault" && s.assembly !== "something-else")
    .slice(0, MOST);
  const words = (id: string) => {
    const h = dictionary.hypotheses.find((x) => x.id === id)!;
    return windowWords(windowOf(test, dictionary.predict(test.setup, [test], h)[0]!, dictionary.meter), test.function);
  };
  return [
    { name: say.ifAllIsWell, fault: null, shows: words("no-fault") },
    ...suspects.map((s) => ({ name: s.name, fault: s.faults[0]!.name, shows: words(s.faults[0]!.id) })),
  ];
}

/**
 * An outcome less likely than this is not thought of ahead: what nobody expects calls for a wide look, which takes
 * long; estimate E04.
 */
const LIKELY = 0.1;

/**
 * What a test would likely show, nominally: for each outcome what the likeliest suspect that predicts it shows, the
 * likeliest outcome first.
 */
export function likelyReadings(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  test: Test,
): readonly Reading[] {
  const { probability } = believe(dictionary, evidence);
  const { outcomes } = dictionary.tableFor(test);
  const shows = new Map<number, { shown: Reading; of: number; weight: number }>();
  dictionary.predictionsFor(test).forEach((prediction, h) => {
    const shown = prediction[0];
    if (!shown) return;
    const outcome = outcomeOf(outcomes, shown);
    const known = shows.get(outcome);
    const p = probability[h]!;
    if (!known) shows.set(outcome, { shown, of: p, weight: p });
    else {
      known.weight += p;
      if (p > known.of) [known.shown, known.of] = [shown, p];
    }
  });
  return [...shows.values()]
    .filter(({ weight }) => weight >= LIKELY)
    .sort((a, b) => b.weight - a.weight)
    .map(({ shown }) => shown);
}
