import { definePart, OPEN } from "../kind";
import { coilParameters, coilPlate, isFed, stampWinding } from "./load";

/** A valve opened by its coil: water, hot gas. */
export const valve = definePart({
  kind: "valve",
  fields: coilPlate,
  terminals: () => ["a", "b"],
  load: true,
  galvanic: () => [["a", "b"]],
  elements: () => [["a", "b"]],
  parameters: coilParameters,
  modes: () => [
    { id: "open", words: "coil open", odds: 1.5, source: "from memory" },
    { id: "stuck-shut", words: "stuck shut", odds: 1, source: "from memory" },
    { id: "stuck-open", words: "does not close", odds: 0.6, source: "from memory" },
  ],
  stamp({ fields, mode, values }, stamp) {
    if (mode === "open") stamp.conduct(0, OPEN);
    else stampWinding(stamp, 0, values[0]!, fields, values[1]!, 0.5);
  },
  noticed: "Listen for water; a hand on the hose feels it.",
  observable: () => ({ what: "valve", labels: ["flows", "shut"] }),
  look({ fields, mode }, view) {
    if (mode === "stuck-open") return "flows";
    return mode === null && isFed(view, "a", "b", fields) ? "flows" : "shut";
  },
  signs: () => [
    {
      id: "scale",
      words: "lime or grit in the strainer",
      given: { "stuck-shut": 0.6, "stuck-open": 0.4 },
      otherwise: 0.1,
    },
  ],
  cautions: ["Shut the water off before the valve is taken out."],
  alone: "Dead, leads off: ohms of the coil; then fed for a moment with its own voltage.",
});
