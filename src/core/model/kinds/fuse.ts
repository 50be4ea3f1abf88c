import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/fuse";

/** A fuse. It blows in the simulation too, when what flows is well above its rating. */
export const fuse = definePart({
  kind: "fuse",
  fields: z.object({ amps: number({ above: 0, max: 1000 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "ohms", nominal: 0.04, tolerance: 0.5 }],
    start: ({ mode }) => (mode === "blown" ? 1 : 0),
    stamp: ({ values }, stamp, state) => stamp.conduct(0, state === 1 ? OPEN : 1 / values[0]!),
    next({ fields }, view, state) {
      const amps = Math.max(Math.abs(view.current(0)), view.acCurrent(0));
      return state === 0 && amps > 3 * fields.amps ? { state: 1, delay: 0.05 } : null;
    },
    rated: (f) => ({ amps: f.amps, element: 0, bears: "fuse" }),
  },
  failures: {
    modes: () => [{ id: "blown", words: "blown", odds: 3, source: "from memory", protective: true }],
    signs: () => [{ id: "black-glass", words: say.glassBlackenedOrWireGone, given: { blown: 0.6 }, otherwise: 0.005 }],
    unitSigns: { "worked-on": 0.25, storm: 0.35 },
  },
  observed: null,
  safety: {
    traits: ["protects", "over-current", "often-bridged"],
    cautions: [say.aFuseThatBlewHas],
  },
  service: {
    alone: say.deadAndOutOfIts,
    tool: "fuse",
    onBoard: () => "board fuse or filter",
    foundInLead: { amps: 10 },
  },
});
