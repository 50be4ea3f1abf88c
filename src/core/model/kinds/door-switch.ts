import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/door-switch";

/** A switch worked by a door. */
export const doorSwitch = definePart({
  kind: "door switch",
  fields: () =>
    z.object({
      door: id,
      closedWhen: z.enum(["door open", "door closed"]),
      amps: number({ above: 0, max: 100 }).optional(),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.1, tolerance: 0.5 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      const open = conditions.openDoors.has(fields.door) ? "door open" : "door closed";
      const closed = mode === "stuck-closed" || (mode !== "stuck-open" && open === fields.closedWhen);
      stamp.conduct(0, closed ? 1 / values[0]! : OPEN);
    },
    door: (f) => f.door,
    rated: (f) => (f.amps === undefined ? null : { amps: f.amps, element: 0, bears: "switch" }),
  },
  failures: {
    modes: () => [
      { id: "stuck-open", words: say.neverCloses, odds: 1, source: "from memory" },
      { id: "stuck-closed", words: say.neverOpens, odds: 0.8, source: "from memory" },
    ],
    signs: () => [
      {
        id: "plunger",
        words: say.plungerStuckOrBroken,
        given: { "stuck-open": 0.4, "stuck-closed": 0.4 },
        otherwise: 0.02,
      },
    ],
    hinders: (f, { doors }) => (doors.includes(f.door) ? ["stuck-open", "stuck-closed"] : []),
    unitSigns: { moved: 0.3, "comes-and-goes": 0.25 },
  },
  observed: null,
  safety: {
    traits: ["interlock", "ages", "often-bridged", "comes-and-goes", "breaks-current"],
  },
  service: {
    alone: say.unpluggedContinuityWhileThePlunger,
  },
});
