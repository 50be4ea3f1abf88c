import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/hall-sensor";

/** A Hall sensor: fed from a rail, its output pulls to the return near a magnet. */
export const hallSensor = definePart({
  kind: "hall sensor",
  fields: () => z.object({ place: id, volts: number({ above: 0, max: 60 }) }),
  electrical: {
    terminals: () => ["plus", "out", "return"],
    galvanic: () => [["plus", "out", "return"]],
    elements: () => [
      ["plus", "return"],
      ["out", "return"],
    ],
    parameters: (f) => [
      { name: "supply ohms", nominal: f.volts / 0.006, tolerance: 0.3 },
      { name: "output ohms", nominal: 40, tolerance: 0.3 },
    ],
    start: () => 0,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.conduct(1, mode === "stays-on" || state === 1 ? 1 / values[1]! : OPEN);
    },
    dead(_instance, stamp) {
      for (const side of [0, 1]) stamp.between(side, OPEN, 1 / JUNCTION_OHMS);
    },
    next({ fields, mode, conditions }, view, state) {
      if (mode !== null) return null;
      const wanted = view.dc("plus", "return") > 0.6 * fields.volts && conditions.magnets.has(fields.place) ? 1 : 0;
      return wanted === state ? null : { state: wanted, delay: 0.001 };
    },
  },
  failures: {
    modes: () => [
      { id: "stays-off", words: say.outputNeverPulls, odds: 1, source: "from memory" },
      { id: "stays-on", words: say.outputAlwaysPulls, odds: 0.7, source: "from memory" },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.poweredPlugOnRailAgainst,
    tool: "position",
    level: "hall",
  },
});
