import type { Test } from "../simulate/test";
import type { Evidence } from "./evidence";
import type { Isolation } from "./isolation";
import { windowWords } from "./proposal";
import { pieceSuspects, repairsOf } from "./suspects";
import { windowOf } from "./window";

/** What one suspect predicts for a test. */
export interface WhatIf {
  readonly name: string;
  readonly fault: string | null;
  readonly shows: string;
}

const MOST = 3;

/** What a test would show if all is well, and under the leading suspects: the likeliest fault of each. */
export function whatIf(isolation: Isolation, evidence: readonly Evidence[], test: Test): readonly WhatIf[] {
  const suspects = pieceSuspects(isolation, isolation.beliefs(evidence), repairsOf(evidence)).filter((s) => s.faults.length > 0 && s.piece !== "no-fault" && s.piece !== "something-else").slice(0, MOST);
  const words = (id: string) => {
    const h = isolation.hypotheses.find((x) => x.id === id)!;
    return windowWords(windowOf(test, isolation.predict(test.setup, [test], h)[0]!, isolation.meter), test.function);
  };
  return [{ name: "If all is well", fault: null, shows: words("no-fault") }, ...suspects.map((s) => ({ name: s.name, fault: s.faults[0]!.name, shows: words(s.faults[0]!.id) }))];
}
