import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/coin-input";

/** A coin switch: makes while a coin falls past it. */
export const coinInput = definePart({
  kind: "coin input",
  fields: () => z.object({}),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.3, tolerance: 0.5 }],
    stamp({ id, mode, values, conditions }, stamp) {
      stamp.conduct(0, mode === "jammed" || (mode === null && conditions.made.has(id)) ? 1 / values[0]! : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.neverMakes, odds: 1.2, source: "from memory" },
      { id: "jammed", words: say.jammedMakesAllTheTime, odds: 1.2, source: "from memory" },
    ],
    signs: () => [{ id: "coin", words: say.coinOrForeignThingIn, given: { jammed: 0.8 }, otherwise: 0.03 }],
  },
  observed: null,
  safety: {
    traits: ["worked-by-hand", "takes-payment"],
  },
  service: {
    alone: say.plugOffContinuityWhileA,
  },
});
