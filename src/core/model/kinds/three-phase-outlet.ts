import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/three-phase-outlet";

const PHASES = [1, 2, 3] as const;

/**
 * A three-phase outlet: three lines a third of a turn apart, the supply's volts between any two of them, and that over
 * the root of three from each to a neutral that is earthed at the building.
 */
export const threePhaseOutlet = definePart({
  kind: "three-phase outlet",
  fields: () => z.object({}),
  electrical: {
    terminals: () => ["line1", "line2", "line3", "neutral", "earth"],
    source: () => true,
    galvanic: () => [["line1", "line2", "line3", "neutral"], ["earth"]],
    energises: () => [
      ["line1", "mains"],
      ["earth", "earth"],
    ],
    elements: () => [
      ["line1", "@ground"],
      ["line2", "@ground"],
      ["line3", "@ground"],
      ["neutral", "@ground"],
      ["earth", "@ground"],
    ],
    parameters: () => [{ name: "source ohms", nominal: 0.3, tolerance: 0.5 }],
    stamp({ id, mode, values, conditions }, stamp) {
      const on = conditions.isOn(id);
      for (const n of PHASES) {
        const live = on && mode !== "dead" && mode !== `line${n}-lost`;
        stamp.conduct(n - 1, live ? 1 / values[0]! : OPEN);
        const volts = live ? conditions.supplyVolts / Math.sqrt(3) : 0;
        stamp.acEmf(n - 1, volts, -120 * (n - 1));
      }
      stamp.conduct(3, on && mode !== "neutral-lost" ? 10 : OPEN);
      stamp.conduct(4, on && mode !== "earth-open" ? 10 : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.noVoltage, odds: 2, source: "from memory" },
      ...PHASES.map((n) => ({ id: `line${n}-lost`, words: say.lineLost(n), odds: 1, source: "from memory" as const })),
      { id: "neutral-lost", words: say.neutralLost, odds: 0.4, source: "from memory" },
      { id: "earth-open", words: say.earthMissing, odds: 0.4, source: "from memory" },
    ],
    signs: () => [
      {
        id: "others-too",
        words: say.othersOnThisCircuitToo,
        given: { dead: 0.9, "line1-lost": 0.6, "line2-lost": 0.6, "line3-lost": 0.6 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["licensed"],
    cautions: [say.threeLines400VBetween],
    isolatedBy: "plug",
  },
  service: {
    alone: say.eachLineToNeutralThenLineToLine,
  },
});
