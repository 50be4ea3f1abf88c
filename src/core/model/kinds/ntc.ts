import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/ntc";

/** Zero of the Celsius scale, kelvin. */
const KELVIN = 273.15;

/** Ohms of a thermistor at `celsius` by the B equation (IEC 60539-1): R = R25 exp(B (1/T - 1/298.15 K)). */
export function ntcOhms(ohms25: number, beta: number, celsius: number): number {
  return ohms25 * Math.exp(beta * (1 / (celsius + KELVIN) - 1 / (25 + KELVIN)));
}

/** A thermistor whose resistance falls with temperature. */
export const ntc = definePart({
  kind: "ntc",
  fields: () =>
    z.object({ ohms25: number({ above: 0, max: 1e7 }), beta: number({ above: 500, max: 10000 }), place: id }),
  electrical: {
    warmedAt: (f) => f.place,
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms at 25 C", nominal: f.ohms25, tolerance: 0.03 }],
    stamp({ fields, mode, severity, values, conditions }, stamp) {
      const ohms = ntcOhms(values[0]!, fields.beta, conditions.temperature(fields.place));
      stamp.conduct(0, mode === "open" ? OPEN : 1 / ohmsUnder(mode, severity, ohms));
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "open", odds: 0.8, source: "from memory" },
      { id: "short", words: "shorted", odds: 0.4, source: "from memory", severity: [0.5, 20] },
      { id: "drifted", words: say.driftedHigh, odds: 0.6, source: "from memory", severity: [2, 4] },
    ],
    signs: () => [
      {
        id: "crust",
        words: say.crustedOrDamagedSensor,
        given: { open: 0.2, short: 0.3, drifted: 0.2 },
        otherwise: 0.03,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["ages"],
  },
  service: {
    alone: say.unpluggedOhmsAgainstItsTable,
    tool: "sensor",
    standIn: (f, { celsius }) => (celsius === undefined ? null : { ohms: ntcOhms(f.ohms25, f.beta, celsius), celsius }),
  },
});

/** Its resistance with a fault, in ohms. */
function ohmsUnder(mode: string | null, severity: number, ohms: number): number {
  if (mode === "short") return severity;
  if (mode === "drifted") return ohms * severity;
  return ohms;
}
