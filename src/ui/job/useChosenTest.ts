"use client";

import { useCallback, useState } from "react";
import type { TestCard } from "../../core/diagnose";
import { type Test, testKey } from "../../core/simulate";
import type { useIsolation } from "./useIsolation";

/** A test the technician chose instead of the one proposed. */
interface Chosen {
  readonly test: Test;
  readonly card: TestCard | null;
  readonly refused: string | null;
  /** The question it was chosen at; at the next one it is over. */
  readonly key: string;
  readonly pending: boolean;
}

/** The test one chose at this question, null while the proposed one stands. */
export function useChosenTest(search: ReturnType<typeof useIsolation>, key: string) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const choose = useCallback(
    async (next: Test | null) => {
      if (!next) return setChosen(null);
      // What is on the screen stays until the new test is laid out, but nothing can be logged on it meanwhile.
      setChosen((before) => ({
        test: next,
        card: before?.card ?? search.answered?.answers.advice.next ?? null,
        refused: null,
        key,
        pending: true,
      }));
      const result = await search.describeTest(next);
      // Another choice may have been made meanwhile: the last one stands.
      setChosen((now) =>
        now && testKey(now.test) === testKey(next)
          ? { test: next, card: result.card, refused: result.refused, key, pending: false }
          : now,
      );
    },
    [search, key],
  );

  /** A test was made: the choice of it is over, not that of another made while it was on its way. */
  const made = useCallback((test: Test) => {
    const id = testKey(test);
    setChosen((now) => (now && testKey(now.test) !== id ? now : null));
  }, []);

  return { chosenNow: chosen && chosen.key === key ? chosen : null, choose, made };
}
