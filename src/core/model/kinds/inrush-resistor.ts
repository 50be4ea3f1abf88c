import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";

/** A resistor that limits the inrush of a supply, often the one that gives way. */
export const inrushResistor = definePart({
  kind: "inrush resistor",
  fields: z.object({ ohms: number({ above: 0, max: 1000 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms", nominal: f.ohms, tolerance: 0.15 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
  },
  failures: {
    modes: () => [{ id: "open", words: "burnt open", odds: 1.5, source: "from memory" }],
    signs: () => [{ id: "cracked", words: "resistor cracked or black", given: { open: 0.5 }, otherwise: 0.01 }],
  },
  observed: null,
  safety: {
    traits: ["hot", "often-bridged"],
    cautions: ["When it has burnt open, look for a short behind it before it is renewed."],
  },
  service: {
    alone: "Dead: ohms against its print.",
    onBoard: () => "low-voltage supply",
    foundInLead: { ohms: 10 },
  },
});
