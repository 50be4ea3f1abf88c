import { z } from "zod";
import { words } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/wire";

/** One wire between two points of the harness. */
export const wire = definePart({
  kind: "wire",
  fields: () => z.object({ colour: words.optional() }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "ohms", nominal: 0.04, tolerance: 0.5 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
  },
  failures: {
    modes: () => [{ id: "open", words: "broken", odds: 0.6, source: "from memory" }],
    signs: () => [{ id: "chafed", words: say.chafedOrStretchedWire, given: { open: 0.3 }, otherwise: 0.02 }],
    unitSigns: { moved: 0.45, "comes-and-goes": 0.3, "worked-on": 0.35 },
  },
  observed: null,
  safety: {
    traits: ["conductor", "harness", "comes-and-goes"],
  },
  service: {
    alone: say.unpluggedAtBothEndsContinuity,
    tool: "contact",
  },
});
