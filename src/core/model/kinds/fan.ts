import type { FailureMode, Observable, Sign } from "../kind";

/** How a fan of either current fails. */
export const fanFailures = {
  modes: (): readonly FailureMode[] => [
    { id: "open", words: "winding open", odds: 1.2, source: "from memory" },
    { id: "seized", words: "seized", odds: 1, source: "from memory" },
  ],
  signs: (): readonly Sign[] => [
    { id: "stiff", words: "blades turn stiffly by hand", given: { seized: 0.9 }, otherwise: 0.03 },
  ],
};

/** What a person notices of a fan, and how. */
export const fanNoticed = {
  noticed: "Listen for air; hold a strip of paper to the grille.",
  observable: (): Observable => ({ what: "fan", labels: ["runs", "silent"] }),
};

/** At the blades of a fan. */
export const FAN_CAUTION = "Fingers and sleeves clear of the blades: it starts by itself.";
