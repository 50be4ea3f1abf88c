import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";

/** A valve opened by its coil: water, hot gas. */
export const valve = definePart({
  kind: "valve",
  fields: coilPlate,
  electrical: coilElectrical(0.5),
  failures: {
    modes: () => [
      { id: "open", words: "coil open", odds: 1.5, source: "from memory" },
      { id: "stuck-shut", words: "stuck shut", odds: 1, source: "from memory" },
      { id: "stuck-open", words: "does not close", odds: 0.6, source: "from memory" },
    ],
    signs: () => [
      {
        id: "scale",
        words: "lime or grit in the strainer",
        given: { "stuck-shut": 0.6, "stuck-open": 0.4 },
        otherwise: 0.1,
      },
    ],
    unitSigns: { unused: 0.3 },
  },
  observed: {
    noticed: "Listen for water; a hand on the hose feels it.",
    observable: () => ({ what: "valve", labels: ["flows", "shut"] }),
    look({ fields, mode }, view) {
      if (mode === "stuck-open") return "flows";
      return mode === null && isFed(view, "a", "b", fields) ? "flows" : "shut";
    },
  },
  safety: {
    traits: ["ages"],
    cautions: ["Shut the water off before the valve is taken out."],
  },
  service: {
    alone: "Dead, leads off: ohms of the coil; then fed for a moment with its own voltage.",
    tool: "heater",
  },
});
