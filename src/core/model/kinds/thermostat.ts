import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/thermostat";

/** A thermostat: its contact goes by the temperature of a place. */
export const thermostat = definePart({
  kind: "thermostat",
  fields: () => z.object({ celsius: number({ min: -60, max: 400 }), place: id, closes: z.enum(["above", "below"]) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.05, tolerance: 0.5 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      const above = conditions.temperature(fields.place) > fields.celsius;
      const closed = mode === "stuck-closed" || (mode !== "stuck-open" && above === (fields.closes === "above"));
      stamp.conduct(0, closed ? 1 / values[0]! : OPEN);
    },
    answersTo: (f) => ({ place: f.place, aboveCelsius: f.celsius }),
  },
  failures: {
    modes: () => [
      { id: "stuck-open", words: say.neverCloses, odds: 1.2, source: "from memory" },
      { id: "stuck-closed", words: say.neverOpens, odds: 0.8, source: "from memory" },
    ],
  },
  observed: null,
  safety: {
    traits: ["often-bridged"],
  },
  service: {
    alone: say.deadLeadsOffContinuityIn,
  },
});
