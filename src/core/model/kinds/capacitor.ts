import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/capacitor";

/** A capacitor across a rail or a line. */
export const capacitor = definePart({
  kind: "capacitor",
  fields: z.object({ farads: number({ above: 0, max: 100 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    stores: true,
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "farads", nominal: f.farads, tolerance: 0.2 }],
    stamp({ mode, severity, values, conditions }, stamp) {
      if (mode === "shorted") return stamp.conduct(0, 1 / severity);
      stamp.dc(0, OPEN);
      stamp.ac(0, OPEN, 2 * Math.PI * conditions.hertz * values[0]!);
    },
  },
  failures: {
    modes: () => [{ id: "shorted", words: "shorted", odds: 0.7, source: "from memory", severity: [0.2, 3] }],
    signs: () => [{ id: "bulged", words: say.bulgedOrLeaking, given: { shorted: 0.5 }, otherwise: 0.03 }],
  },
  observed: null,
  safety: {
    traits: ["stores-charge"],
    cautions: [say.aCapacitorHoldsItsCharge],
  },
  service: {
    alone: say.dischargedOneLeadOffCapacitance,
    tool: "supply",
    onBoard: () => "low-voltage supply",
    repairs: "capacitors",
  },
});
