"use client";

import { useState } from "react";
import type { TestCard } from "../../core/diagnose";
import { testKey } from "../../core/simulate";
import type { Answered } from "./useWhole";

/** The step on the screen, and that another one is better. */
interface BetterStep {
  /** The step that is proposed, or that stays until the better one is taken; null where there is none. */
  readonly proposal: Answered["answers"]["advice"]["next"];
  /** What is better now, in a line; its title is null where the search has come to its end. Null: nothing is. */
  readonly better: { readonly title: string | null } | null;
  take(): void;
}

/**
 * A step once shown stays under the hands: a better one, found when two faults were weighed behind it, is taken by a key.
 * `key` names the question that is on the screen.
 */
export function useBetterStep(answered: Answered | null, key: string): BetterStep {
  const [takenAt, setTakenAt] = useState("");
  const next = answered?.answers.advice.next ?? null;
  const shown = answered?.before?.advice.next ?? null;
  const differs = shown !== null && !(next && testKey(shown.test) === testKey(next.test));
  const isBetter = differs && answered?.key === key && takenAt !== key;
  return {
    proposal: isBetter ? shown : next,
    better: isBetter ? { title: next ? stepTitle(next) : null } : null,
    take: () => setTakenAt(key),
  };
}

/** A step in a line: two at one plug differ in their pins. */
function stepTitle({ title, red, black }: TestCard): string {
  return black ? `${title}: ${red.name} to ${black.name}` : title;
}
