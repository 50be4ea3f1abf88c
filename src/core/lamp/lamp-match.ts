import { labelOf, patternOf, type LampPattern } from "./lamp-pattern";
import { say } from "#words/core/lamp";

/** What a pattern means on one lamp: one of the ways it can go, or a sentence why it is none of them. */
export type LampMatch =
  { readonly label: string; readonly refused: null } | { readonly label: null; readonly refused: string };

/**
 * Finds a pattern among the ways a lamp of this machine can go. A lamp with one blinking only may blink at any rate.
 */
export function matchOnLamp(pattern: LampPattern, lamp: string, labels: readonly string[]): LampMatch {
  const known = labels.flatMap((label) => {
    const p = patternOf(label);
    return p ? [{ label, pattern: p }] : [];
  });
  const words = labelOf(pattern);
  const exact = known.find((k) => labelOf(k.pattern) === words);
  if (exact) return { label: exact.label, refused: null };
  const blinking = known.filter((k) => k.pattern.kind === "blinks");
  if (pattern.kind === "blinks" && blinking.length === 1) return { label: blinking[0]!.label, refused: null };
  return {
    label: null,
    refused: say.ofThisMachineHasNo(lamp, words, known.map((k) => k.label).join("; ")),
  };
}
