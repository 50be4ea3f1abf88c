import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { fedVolts } from "./load";
import { say } from "#words/core/model/kinds/lamp";

/** Times its current that a cold filament takes; from memory. */
const COLD = 10;

/** A filament lamp. */
export const lamp = definePart({
  kind: "lamp",
  fields: () =>
    z.object({
      current: z.enum(["ac", "dc"]),
      volts: number({ above: 0, max: 300 }),
      watts: number({ above: 0, max: 1000 }),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "hot ohms", nominal: f.volts ** 2 / f.watts, tolerance: 0.1 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "burnt-out" ? OPEN : 1 / values[0]!),
    stampAtStart({ mode, values }, stamp) {
      if (mode !== "burnt-out") stamp.conduct(0, COLD / values[0]!);
    },
  },
  failures: {
    modes: () => [{ id: "burnt-out", words: say.burntOut, odds: 2, source: "from memory" }],
    signs: () => [
      { id: "grey-glass", words: say.greyGlassOrBrokenFilament, given: { "burnt-out": 0.8 }, otherwise: 0.02 },
    ],
  },
  observed: {
    noticed: say.lookBrightDimOrDark,
    observable: () => ({ what: "lamp", labels: ["bright", "dim", "dark"] }),
    look({ fields, mode }, view) {
      const share = Math.abs(fedVolts(view, "a", "b", fields)) / fields.volts;
      if (mode === "burnt-out" || share < 0.25) return "dark";
      return share < 0.7 ? "dim" : "bright";
    },
  },
  safety: {
    traits: ["hot", "light"],
    cautions: [say.aLampThatWasLit],
  },
  service: {
    alone: say.outOfItsHolderContinuity,
  },
});
