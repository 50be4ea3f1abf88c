import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/inrush-resistor";

/** A resistor that limits the inrush of a supply, often the one that gives way. */
export const inrushResistor = definePart({
  kind: "inrush resistor",
  fields: () => z.object({ ohms: number({ above: 0, max: 1000 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms", nominal: f.ohms, tolerance: 0.15 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
  },
  failures: {
    modes: () => [{ id: "open", words: say.burntOpen, odds: 1.5, source: "from memory" }],
    signs: () => [{ id: "cracked", words: say.resistorCrackedOrBlack, given: { open: 0.5 }, otherwise: 0.01 }],
  },
  observed: null,
  safety: {
    traits: ["hot", "often-bridged"],
    cautions: [say.whenItHasBurntOpen],
  },
  service: {
    alone: say.deadOhmsAgainstItsPrint,
    onBoard: () => "low-voltage supply",
    foundInLead: { ohms: 10 },
  },
});
