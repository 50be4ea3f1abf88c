import { z } from "zod";
import { id, number, words } from "../scalar";
import { NO_CIRCUIT } from "./no-circuit";
import { definePart } from "../kind";
import { say } from "#words/core/model/kinds/cooling-unit";

/** Share of its watts at which a heater drives the unit, from memory. */
const ENOUGH = 0.5;

/** The cooling unit of an absorption refrigerator: it cools when one of the things that can heat its boiler does. */
export const coolingUnit = definePart({
  kind: "cooling unit",
  fields: () =>
    z.object({
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
    modes: () => [{ id: "leaks", words: say.leaksOrNoLongerCirculates, odds: 1, source: "from memory" }],
    heats: (f, mode) => (mode === "leaks" ? { place: f.place, celsius: f.hotCelsius } : null),
    signs: () => [{ id: "ammonia", words: say.smellOfAmmoniaYellowStain, given: { leaks: 0.7 }, otherwise: 0.003 }],
  },
  observed: {
    noticed: say.feelTheTubesAfterHalf,
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
    cautions: [say.smellOfAmmoniaToxicStop],
  },
  service: {
    alone: say.heatedDirectlyForSomeHours,
  },
});
