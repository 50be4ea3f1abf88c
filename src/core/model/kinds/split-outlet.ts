import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/split-outlet";

/** A split-phase outlet: two legs of half the supply voltage each side of a neutral that is earthed at the building. */
export const splitOutlet = definePart({
  kind: "split outlet",
  fields: () => z.object({}),
  electrical: {
    terminals: () => ["line1", "neutral", "line2", "earth"],
    source: () => true,
    galvanic: () => [["line1", "neutral", "line2"], ["earth"]],
    energises: () => [
      ["line1", "mains"],
      ["earth", "earth"],
    ],
    elements: () => [
      ["line1", "@ground"],
      ["neutral", "@ground"],
      ["line2", "@ground"],
      ["earth", "@ground"],
    ],
    parameters: () => [{ name: "source ohms", nominal: 0.2, tolerance: 0.5 }],
    stamp({ id, mode, values, conditions }, stamp) {
      const on = conditions.isOn(id);
      const leg = (element: number, sign: number, lost: boolean) => {
        const live = on && !lost && mode !== "dead";
        stamp.conduct(element, live ? 1 / values[0]! : OPEN);
        stamp.acEmf(element, live ? (sign * conditions.supplyVolts) / 2 : 0);
      };
      leg(0, 1, mode === "leg1-lost");
      stamp.conduct(1, on && mode !== "neutral-lost" ? 1 / values[0]! : OPEN);
      leg(2, -1, mode === "leg2-lost");
      stamp.conduct(3, on ? 10 : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.noVoltage, odds: 2, source: "from memory" },
      { id: "leg1-lost", words: say.firstLegLost, odds: 1.2, source: "from memory" },
      { id: "leg2-lost", words: say.secondLegLost, odds: 1.2, source: "from memory" },
      { id: "neutral-lost", words: say.neutralLost, odds: 0.6, source: "from memory" },
    ],
    signs: () => [
      {
        id: "dim-and-bright",
        words: say.lampsOnTheSameCircuit,
        given: { "neutral-lost": 0.7 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["licensed"],
    cautions: [say.twoLegs240VBetween],
    isolatedBy: "plug",
  },
  service: {
    alone: say.legToLegThenEach,
  },
});
