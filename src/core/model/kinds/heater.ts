import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";

/** A resistive heating element in a metal sheath. Nominal ohms = volts^2 / watts. */
export const heater = definePart({
  kind: "heater",
  fields: z.object({ volts: number({ above: 0, max: 480 }), watts: number({ above: 0, max: 20000 }) }),
  electrical: {
    terminals: () => ["a", "b", "case"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [
      ["a", "b"],
      ["b", "case"],
    ],
    parameters: (f) => [{ name: "ohms", nominal: f.volts ** 2 / f.watts, tolerance: 0.1 }],
    stamp({ mode, severity, values }, stamp) {
      stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!);
      stamp.conduct(1, mode === "to-case" ? 1 / severity : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "burnt out", odds: 2, source: "from memory" },
      { id: "to-case", words: "leaks to its case", odds: 0.5, source: "from memory", severity: [2e3, 5e4] },
    ],
    signs: () => [
      {
        id: "break",
        words: "visible break or burn on the element",
        given: { open: 0.4, "to-case": 0.3 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["hot", "heats"],
    cautions: ["The sheath is hot after a defrost. Let it cool before you touch it."],
  },
  service: {
    alone: "Dead, one lead off: ohms against volts squared over watts; then each end to the case.",
    tool: "heater",
  },
});
