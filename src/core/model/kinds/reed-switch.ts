import { z } from "zod";
import { id } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/reed-switch";

/** A reed contact that closes near a magnet. */
export const reedSwitch = definePart({
  kind: "reed switch",
  fields: () => z.object({ place: id, rests: z.enum(["open", "closed"]).default("open") }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "contact ohms", nominal: 0.15, tolerance: 0.4 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      const closed =
        mode === "stuck-closed" ||
        (mode !== "stuck-open" && conditions.magnets.has(fields.place) !== (fields.rests === "closed"));
      stamp.conduct(0, closed ? 1 / values[0]! : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "stuck-open", words: say.neverCloses, odds: 1, source: "from memory" },
      { id: "stuck-closed", words: say.neverOpens, odds: 0.7, source: "from memory" },
    ],
  },
  observed: null,
  safety: {
    traits: ["interlock", "ages", "often-bridged", "breaks-current"],
  },
  service: {
    alone: say.deadPlugOffContinuityWith,
    tool: "position",
    level: "reed",
    standIn: (_f, { magnet }) => ({ magnet }),
  },
});
