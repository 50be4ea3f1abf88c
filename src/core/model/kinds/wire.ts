import { z } from "zod";
import { copperOhms, internalAmps } from "../../quantity";
import { gauge, number, words } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/wire";

/** Ohms of a wire whose gauge or length nobody wrote down. */
const USUAL_OHMS = 0.04;

/** One wire between two points of the harness; its gauge in square millimetres, its length in metres. */
export const wire = definePart({
  kind: "wire",
  fields: () =>
    z.object({
      colour: words.optional(),
      gauge: gauge().optional(),
      length: number({ above: 0, max: 200 }).optional(),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: ({ gauge: area, length }) => [
      { name: "ohms", nominal: area && length ? copperOhms(area, length) : USUAL_OHMS, tolerance: 0.5 },
    ],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
    rated: (f) => (f.gauge === undefined ? null : { amps: internalAmps(f.gauge), element: 0, bears: "wire" }),
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
