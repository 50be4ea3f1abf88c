import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "./kind";

/** The boiler of an absorption cooling unit, with the elements that can heat it: it cools when one of them does. */
export const coolingUnit = definePart({
  kind: "cooling unit",
  fields: z.object({
    /** Volts at which each pair of terminals heats. */
    heats: z.record(id, z.object({ current: z.enum(["ac", "dc"]), volts: number({ above: 0, max: 300 }) })),
    place: id,
    /** What the boiler comes to when the unit no longer circulates, degrees Celsius. */
    hotCelsius: number({ min: 0, max: 500 }),
  }),
  terminals: (f) => Object.keys(f.heats).flatMap((h) => [`${h}-a`, `${h}-b`]),
  galvanic: () => [],
  elements: (f) => Object.keys(f.heats).map((h) => [`${h}-a`, `${h}-b`] as const),
  parameters: () => [],
  modes: () => [{ id: "leaks", words: "leaks or no longer circulates", odds: 1, source: "from memory" }],
  stamp({ fields }, stamp) {
    Object.keys(fields.heats).forEach((_, i) => stamp.conduct(i, OPEN));
  },
  heats: (f, mode) => (mode === "leaks" ? { place: f.place, celsius: f.hotCelsius } : null),
  observable: () => ({ what: "cooling unit", labels: ["cools", "warm"] }),
  look({ fields, mode }, view) {
    const heated = Object.entries(fields.heats).some(([h, r]) => (r.current === "ac" ? view.ac(`${h}-a`, `${h}-b`) : Math.abs(view.dc(`${h}-a`, `${h}-b`))) > 0.75 * r.volts);
    return heated && mode === null ? "cools" : "warm";
  },
  signs: () => [{ id: "ammonia", words: "smell of ammonia, yellow stain", given: { leaks: 0.7 }, otherwise: 0.003 }],
  cautions: ["Smell of ammonia: toxic. Stop, air the room, leave it to a licensed person. A unit that leaks is never heated again."],
  alone: "Heated directly for some hours, vents free, level: does it cool?",
});
