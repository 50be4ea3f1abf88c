import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/pressure-switch";

/** A pressure or float switch: its contact goes by how far a place is filled. */
export const pressureSwitch = definePart({
  kind: "pressure switch",
  fields: () =>
    z.object({ place: id, above: number({ min: 0, max: 1 }), rests: z.enum(["open", "closed"]).default("open") }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.08, tolerance: 0.5 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      const reached = conditions.level(fields.place) > fields.above;
      const closed = mode === "stuck-closed" || (mode !== "stuck-open" && reached !== (fields.rests === "closed"));
      stamp.conduct(0, closed ? 1 / values[0]! : OPEN);
    },
    answersTo: (f) => ({ level: f.place }),
  },
  failures: {
    modes: () => [
      { id: "stuck-open", words: say.neverCloses, odds: 1, source: "from memory" },
      { id: "stuck-closed", words: say.neverOpens, odds: 0.8, source: "from memory" },
    ],
    signs: () => [
      {
        id: "hose",
        words: say.hoseOffKinkedOrBlocked,
        given: { "stuck-open": 0.4, "stuck-closed": 0.3 },
        otherwise: 0.04,
      },
    ],
    unitSigns: { damp: 0.3 },
  },
  observed: null,
  safety: {
    traits: ["interlock", "often-bridged", "breaks-current"],
  },
  service: {
    alone: say.deadPlugOffContinuityEmpty,
    tool: "position",
    level: "switch",
  },
});
