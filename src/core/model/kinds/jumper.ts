import { z } from "zod";
import { definePart, OPEN } from "../kind";

/** A wire put between two points in a setup; made by the compiler, never written in a file. */
export const jumper = definePart({
  kind: "jumper",
  fields: z.object({}),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ id, conditions }, stamp) => stamp.conduct(0, conditions.rigged.has(id) ? 50 : OPEN),
  },
  failures: {
    modes: () => [],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {},
});
