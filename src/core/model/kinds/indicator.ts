import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, FLICKERS, OPEN, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/indicator";

/** A lamp on a board, worked by a control program: dark, steady, or a pattern that means something. */
export const indicator = definePart({
  kind: "indicator",
  fields: () => z.object({ of: id, lamp: id, volts: number({ above: 0, max: 60 }) }),
  electrical: {
    terminals: () => ["plus", "return"],
    galvanic: () => [["plus", "return"]],
    elements: () => [["plus", "return"]],
    parameters: () => [{ name: "ohms", nominal: 2200, tolerance: 0.2 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "dead" ? OPEN : 1 / values[0]!),
    // Few ohmmeters reach the voltage at which it conducts.
    dead: ({ mode }, stamp) => stamp.between(0, OPEN, mode === "dead" ? OPEN : 1 / JUNCTION_OHMS),
  },
  failures: {
    modes: () => [{ id: "dead", words: "dead", odds: 0.4, source: "from memory" }],
  },
  observed: {
    observable: (f, facesOf) => ({
      what: "lamp",
      labels: [...new Set([...(facesOf?.(f.of)?.lamps[f.lamp] ?? []), "dark", FLICKERS])],
    }),
    look({ fields, mode }, view) {
      if (mode === "dead" || view.dc("plus", "return") < 0.6 * fields.volts) return "dark";
      return view.face(fields.of)?.lamps[fields.lamp] ?? "dark";
    },
    shows: (f) => f.of,
    lamp: (f) => f.lamp,
  },
  safety: {
    traits: ["board-lamp", "tells-codes"],
  },
  service: {
    alone: say.watchItForThreeRounds,
  },
});
