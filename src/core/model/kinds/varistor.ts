import { z } from "zod";
import { definePart, OPEN } from "../kind";

/** A varistor across the line: open until it has taken its last surge. */
export const varistor = definePart({
  kind: "varistor",
  fields: z.object({}),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ mode, severity }, stamp) => stamp.conduct(0, mode === "shorted" ? 1 / severity : OPEN),
  },
  failures: {
    modes: () => [{ id: "shorted", words: "shorted by a surge", odds: 0.8, source: "from memory", severity: [0.3, 3] }],
    signs: () => [{ id: "split", words: "varistor split, sooty", given: { shorted: 0.8 }, otherwise: 0.01 }],
    unitSigns: { storm: 0.6 },
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: "Dead: ohms across it, overload if it is sound.",
    onBoard: () => "board fuse or filter",
  },
});
