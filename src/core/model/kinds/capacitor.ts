import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/capacitor";

/** Least product of leak and capacitance of a sound capacitor, seconds; from memory of electrolytic ones. */
const LEAK_SECONDS = 50;

/** A capacitor across a rail or a line. */
export const capacitor = definePart({
  kind: "capacitor",
  fields: () => z.object({ farads: number({ above: 0, max: 100 }) }),
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
    dead({ mode, severity, values, conditions }, stamp) {
      if (mode === "shorted") return stamp.conduct(0, 1 / severity);
      // The larger it is the more of an electrolytic one it is, and the more it leaks; from memory.
      stamp.between(0, OPEN, Math.max(OPEN, values[0]! / LEAK_SECONDS));
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
