import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/hand-switch";

/** A switch, button or selector contact worked by hand. */
export const handSwitch = definePart({
  kind: "switch",
  fields: () =>
    z.object({
      rests: z.enum(["open", "closed"]).default("open"),
      amps: number({ above: 0, max: 100 }).optional(),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.05, tolerance: 0.5 }],
    stamp({ id, fields, mode, values, conditions }, stamp) {
      const closed =
        mode === "stuck-closed" || (mode !== "stuck-open" && conditions.made.has(id) !== (fields.rests === "closed"));
      stamp.conduct(0, closed ? 1 / values[0]! : OPEN);
    },
    rated: (f) => (f.amps === undefined ? null : { amps: f.amps, element: 0, bears: "switch" }),
  },
  failures: {
    modes: () => [
      { id: "stuck-open", words: say.neverMakes, odds: 1.2, source: "from memory" },
      { id: "stuck-closed", words: say.neverBreaks, odds: 0.6, source: "from memory" },
    ],
    signs: () => [
      {
        id: "burnt-contact",
        words: say.blackenedSwitchContact,
        given: { "stuck-open": 0.3, "stuck-closed": 0.3 },
        otherwise: 0.02,
      },
    ],
    unitSigns: { moved: 0.3, "comes-and-goes": 0.25, damp: 0.35, unused: 0.3 },
  },
  observed: null,
  safety: {
    traits: ["worked-by-hand", "ages", "often-bridged", "comes-and-goes", "breaks-current"],
  },
  service: {
    alone: say.deadContinuityInBothPositions,
    foundInLead: { rests: "closed" },
  },
});
