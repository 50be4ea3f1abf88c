import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/run-capacitor";

/** A run capacitor in the lead of an auxiliary winding. */
export const runCapacitor = definePart({
  kind: "run capacitor",
  fields: () => z.object({ farads: number({ above: 0, max: 1e-3 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    stores: true,
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "farads", nominal: f.farads, tolerance: 0.1 }],
    stamp({ mode, severity, values, conditions }, stamp) {
      if (mode === "shorted") return stamp.conduct(0, 2);
      stamp.dc(0, OPEN);
      const left = mode === "weak" ? severity : 1;
      stamp.ac(0, OPEN, mode === "open" ? 0 : left * 2 * Math.PI * conditions.hertz * values[0]!);
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "open", odds: 1.5, source: "from memory" },
      { id: "weak", words: say.hasLostItsCapacitance, odds: 1.5, source: "from memory", severity: [0.1, 0.35] },
      { id: "shorted", words: "shorted", odds: 0.5, source: "from memory" },
    ],
    signs: () => [
      {
        id: "bulged",
        words: say.capacitorBulgedOrLeaking,
        given: { open: 0.5, weak: 0.4, shorted: 0.5 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["stores-charge", "ages"],
    cautions: [say.aCapacitorHoldsItsCharge],
  },
  service: {
    alone: say.dischargedLeadsOffCapacitanceAgainst,
    tool: "motor",
  },
});
