import { z } from "zod";
import { definePart, OPEN } from "../kind";

/** A varistor across the line: open until it has taken its last surge. */
export const varistor = definePart({
  kind: "varistor",
  fields: z.object({}),
  terminals: () => ["a", "b"],
  galvanic: () => [["a", "b"]],
  elements: () => [["a", "b"]],
  parameters: () => [],
  modes: () => [{ id: "shorted", words: "shorted by a surge", odds: 0.8, source: "from memory", severity: [0.3, 3] }],
  stamp: ({ mode, severity }, stamp) => stamp.conduct(0, mode === "shorted" ? 1 / severity : OPEN),
  signs: () => [{ id: "split", words: "varistor split, sooty", given: { shorted: 0.8 }, otherwise: 0.01 }],
  alone: "Dead: ohms across it, overload if it is sound.",
});
