import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";

/** Ohms of a short lead with its clips; from memory. */
export const WIRE_OHMS = 0.02;

/** A wire or a resistor put between two points in a setup; made by the compiler, never written in a file. */
export const jumper = definePart({
  kind: "jumper",
  fields: () => z.object({ ohms: number({ above: 0, max: 1e7 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ id, fields, conditions }, stamp) => stamp.conduct(0, conditions.rigged.has(id) ? 1 / fields.ohms : OPEN),
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
