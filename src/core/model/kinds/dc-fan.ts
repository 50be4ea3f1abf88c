import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";

/** A direct-current fan. */
export const dcFan = definePart({
  kind: "dc fan",
  fields: z.object({ volts: number({ above: 0, max: 60 }), amps: number({ above: 0, max: 20 }) }),
  electrical: {
    terminals: () => ["plus", "minus"],
    load: true,
    galvanic: () => [["plus", "minus"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [{ name: "run ohms", nominal: f.volts / f.amps, tolerance: 0.15 }],
    stamp({ mode, values }, stamp) {
      stamp.conduct(0, mode === "open" ? OPEN : (mode === "seized" ? 2.5 : 1) / values[0]!);
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "winding open", odds: 1.2, source: "from memory" },
      { id: "seized", words: "seized", odds: 1, source: "from memory" },
    ],
    signs: () => [{ id: "stiff", words: "blades turn stiffly by hand", given: { seized: 0.9 }, otherwise: 0.03 }],
  },
  observed: {
    noticed: "Listen for air; hold a strip of paper to the grille.",
    observable: () => ({ what: "fan", labels: ["runs", "silent"] }),
    look: ({ fields, mode }, view) =>
      mode === null && view.dc("plus", "minus") > 0.6 * fields.volts ? "runs" : "silent",
  },
  safety: {
    traits: ["moves", "starts-by-itself"],
    cautions: ["Fingers and sleeves clear of the blades: it starts by itself."],
  },
  service: {
    alone: "Unplugged from the board, fed with its own voltage from a fused bench supply.",
  },
});
