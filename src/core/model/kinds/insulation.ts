import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/insulation";

/** Two conductors that run side by side where a loom is bent or pinched; whole until it is rubbed through. */
export const insulation = definePart({
  kind: "insulation",
  fields: () => z.object({}),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ mode, severity }, stamp) => stamp.conduct(0, mode === "rubbed-through" ? 1 / severity : OPEN),
  },
  failures: {
    modes: () => [
      {
        id: "rubbed-through",
        words: say.rubbedThroughWiresTouch,
        odds: 0.8,
        source: "from memory",
        severity: [0.1, 3],
      },
    ],
    signs: () => [
      { id: "bare", words: say.bareCopperWhereTheWires, given: { "rubbed-through": 0.5 }, otherwise: 0.01 },
    ],
  },
  observed: null,
  safety: {
    traits: ["insulates"],
  },
  service: {
    alone: say.unpluggedAtBothEndsOhms,
  },
});
