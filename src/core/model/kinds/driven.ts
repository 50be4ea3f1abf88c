import { z } from "zod";
import { id, words } from "../scalar";
import { NO_CIRCUIT } from "./no-circuit";
import { definePart } from "../kind";

/** Something a motor drives by a belt or a coupling: it moves when the motor turns and the belt holds. */
export const driven = definePart({
  kind: "driven",
  fields: z.object({ by: id, when: words }),
  electrical: NO_CIRCUIT,
  failures: {
    modes: () => [{ id: "belt-off", words: "belt torn or off", odds: 1.5, source: "from memory" }],
    signs: () => [{ id: "worn-belt", words: "worn belt, rubber dust", given: { "belt-off": 0.7 }, otherwise: 0.05 }],
  },
  observed: {
    noticed: "Watch whether it moves; hands and sleeves away.",
    observable: () => ({ what: "drive", labels: ["moves", "stands"] }),
    look: ({ fields, mode }, view) => (mode === null && view.seen(fields.by) === fields.when ? "moves" : "stands"),
  },
  safety: {
    traits: ["moves", "suspended-load"],
    cautions: ["Unplug before you reach into a drive."],
  },
  service: {
    alone: "Unplugged: turn it by hand and watch the motor's shaft.",
  },
});
