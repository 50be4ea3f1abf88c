import type { FailureMode, Observable, Sign } from "../kind";
import { say } from "#words/core/model/kinds/fan";

/** How a fan of either current fails. */
export const fanFailures = {
  modes: (): readonly FailureMode[] => [
    { id: "open", words: say.windingOpen, odds: 1.2, source: "from memory" },
    { id: "seized", words: "seized", odds: 1, source: "from memory" },
  ],
  signs: (): readonly Sign[] => [
    { id: "stiff", words: say.bladesTurnStifflyByHand, given: { seized: 0.9 }, otherwise: 0.03 },
  ],
};

/** What a person notices of a fan, and how. */
export const fanNoticed = {
  noticed: say.listenForAirHoldA,
  observable: (): Observable => ({ what: "fan", labels: ["runs", "silent"] }),
};

/** At the blades of a fan. */
export const FAN_CAUTION = say.fingersAndSleevesClearOf;
