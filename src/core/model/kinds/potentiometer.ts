import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/potentiometer";

/** Ohms that stay at either end of the track. */
const END = 0.005;

/** A potentiometer; where it stands goes by the level of its place, 0 at end `a`, 1 at end `b`. */
export const potentiometer = definePart({
  kind: "potentiometer",
  fields: () => z.object({ ohms: number({ above: 0, max: 1e7 }), place: id }),
  electrical: {
    terminals: () => ["a", "wiper", "b"],
    galvanic: () => [["a", "wiper", "b"]],
    elements: () => [
      ["a", "wiper"],
      ["wiper", "b"],
      // The track by itself, under a wiper that does not touch it.
      ["a", "b"],
    ],
    parameters: (f) => [{ name: "track ohms", nominal: f.ohms, tolerance: 0.1 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      const turned = Math.min(1 - END, Math.max(END, conditions.level(fields.place)));
      stamp.conduct(0, mode === "wiper-open" ? OPEN : 1 / (values[0]! * turned));
      stamp.conduct(1, mode === "wiper-open" || mode === "track-open" ? OPEN : 1 / (values[0]! * (1 - turned)));
      stamp.conduct(2, mode === "wiper-open" ? 1 / values[0]! : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "track-open", words: say.trackOpenAtEndB, odds: 0.8, source: "from memory" },
      { id: "wiper-open", words: say.wiperLiftsOff, odds: 1.2, source: "from memory" },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.deadPlugOffEndTo,
    tool: "position",
    level: "pot",
  },
});
