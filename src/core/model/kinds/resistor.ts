import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/resistor";

/** A resistor. */
export const resistor = definePart({
  kind: "resistor",
  fields: () => z.object({ ohms: number({ above: 0, max: 1e8 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms", nominal: f.ohms, tolerance: 0.05 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
  },
  failures: {
    modes: () => [{ id: "open", words: "open", odds: 0.6, source: "from memory" }],
    signs: () => [{ id: "discoloured", words: "discoloured", given: { open: 0.4 }, otherwise: 0.03 }],
  },
  observed: null,
  safety: {
    traits: ["hot"],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadOneLeadOffOhms,
    foundInLead: { ohms: 10 },
  },
});
