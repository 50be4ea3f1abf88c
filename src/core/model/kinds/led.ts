import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/led";

/** What a small lamp takes where nobody says. */
const USUAL_AMPS = 0.02;

/** A light-emitting diode with its series resistor. */
export const led = definePart({
  kind: "led",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      amps: number({ above: 0, max: 1 }).optional(),
      /** Its series resistor, where that is what is known. */
      ohms: number({ above: 0, max: 1e6 }).optional(),
    }),
  contradictions: (f) => (f.amps === undefined && f.ohms === undefined ? [say.needsAmpsOrOhms] : []),
  electrical: {
    terminals: () => ["plus", "minus"],
    galvanic: () => [["plus", "minus"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [{ name: "ohms", nominal: f.ohms ?? f.volts / (f.amps ?? USUAL_AMPS), tolerance: 0.2 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "dead" ? OPEN : 1 / values[0]!),
    // Few ohmmeters reach the voltage at which it conducts.
    dead: ({ mode }, stamp) => stamp.between(0, OPEN, mode === "dead" ? OPEN : 1 / JUNCTION_OHMS),
  },
  failures: {
    modes: () => [{ id: "dead", words: "dead", odds: 1, source: "from memory" }],
  },
  observed: {
    noticed: say.look,
    observable: () => ({ what: "lamp", labels: ["lit", "dark"] }),
    look: ({ fields, mode }, view) => (mode === null && view.dc("plus", "minus") > 0.5 * fields.volts ? "lit" : "dark"),
  },
  safety: {
    traits: ["board-lamp"],
  },
  service: {
    alone: say.deadDiodeFunctionBothWays,
    builtIn: { volts: 24, ohms: 1000 },
  },
});
