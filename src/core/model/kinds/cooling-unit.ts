import { z } from "zod";
import { id, number, words } from "../scalar";
import { NO_CIRCUIT } from "./no-circuit";
import { definePart } from "../kind";

/** Share of its watts at which a heater drives the unit, from memory. */
const ENOUGH = 0.5;

/** The cooling unit of an absorption refrigerator: it cools when one of the things that can heat its boiler does. */
export const coolingUnit = definePart({
  kind: "cooling unit",
  fields: z.object({
    /** What heats the boiler: a part and its watts, or a part and what is seen of it. */
    heats: z.record(
      id,
      z.union([
        z.strictObject({ part: id, watts: number({ above: 0, max: 5000 }) }),
        z.strictObject({ part: id, seen: words }),
      ]),
    ),
    place: id,
    /** What the boiler comes to when the unit no longer circulates, degrees Celsius. */
    hotCelsius: number({ min: 0, max: 500 }),
  }),
  electrical: NO_CIRCUIT,
  failures: {
    modes: () => [{ id: "leaks", words: "leaks or no longer circulates", odds: 1, source: "from memory" }],
    heats: (f, mode) => (mode === "leaks" ? { place: f.place, celsius: f.hotCelsius } : null),
    signs: () => [{ id: "ammonia", words: "smell of ammonia, yellow stain", given: { leaks: 0.7 }, otherwise: 0.003 }],
  },
  observed: {
    noticed: "Feel the tubes after half an hour, not before.",
    observable: () => ({ what: "cooling unit", labels: ["cools", "warm"] }),
    look({ fields, mode }, view) {
      const heated = Object.values(fields.heats).some((h) =>
        "watts" in h ? view.watts(h.part) > ENOUGH * h.watts : view.seen(h.part) === h.seen,
      );
      return heated && mode === null ? "cools" : "warm";
    },
  },
  safety: {
    traits: ["hot", "sharp", "refrigerant", "flammable-refrigerant", "licensed"],
    cautions: [
      "Smell of ammonia: toxic. Stop, air the room, leave it to a licensed person. A unit that leaks is never heated again.",
    ],
  },
  service: {
    alone: "Heated directly for some hours, vents free, level: does it cool?",
  },
});
