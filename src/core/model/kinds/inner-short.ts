import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/inner-short";

/**
 * What keeps the two ends of a load apart, or its winding from its case: whole until it shorts. Put in where one asks
 * what opened a fuse; made by the program, never written in a file.
 */
export const innerShort = definePart({
  kind: "inner short",
  fields: () => z.object({ toCase: z.boolean() }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ mode, severity }, stamp) => stamp.conduct(0, mode === "shorted" ? 1 / severity : OPEN),
  },
  failures: {
    modes: (f) => [
      {
        id: "shorted",
        words: f.toCase ? say.shortedToItsCase : say.shortedInside,
        odds: 0.3,
        source: "from memory",
        severity: [0.03, 0.6],
      },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {},
});
