import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/rtd";

/** Coefficients of IEC 60751 for industrial platinum resistors. */
const A = 3.9083e-3;
const B = -5.775e-7;
const C = -4.183e-12;

/** Ohms of a platinum resistor of `ohms0` at 0 C, -200 to 850 C (IEC 60751). */
export function rtdOhms(ohms0: number, celsius: number): number {
  const t = celsius;
  return ohms0 * (1 + A * t + B * t * t + (t < 0 ? C * (t - 100) * t ** 3 : 0));
}

/** A platinum resistance thermometer. */
export const rtd = definePart({
  kind: "rtd",
  fields: () => z.object({ ohms0: number({ above: 0, max: 1e4 }), place: id }),
  electrical: {
    warmedAt: (f) => f.place,
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms at 0 C", nominal: f.ohms0, tolerance: 0.003 }],
    stamp({ fields, mode, severity, values, conditions }, stamp) {
      stamp.conduct(
        0,
        mode === "open"
          ? OPEN
          : 1 / (mode === "short" ? severity : rtdOhms(values[0]!, conditions.temperature(fields.place))),
      );
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "open", odds: 1, source: "from memory" },
      { id: "short", words: "shorted", odds: 0.4, source: "from memory", severity: [0.5, 10] },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.plugOffOhmsAgainstIts,
    tool: "sensor",
  },
});
