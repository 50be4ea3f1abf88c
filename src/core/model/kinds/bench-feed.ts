import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";

/**
 * A fused bench supply put on a load in a setup; made by the compiler, never written in a file. Its fuse is an ideal
 * limit.
 */
export const benchFeed = definePart({
  kind: "bench feed",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      current: z.enum(["dc", "ac"]),
      amps: number({ above: 0, max: 100 }),
    }),
  electrical: {
    terminals: () => ["plus", "minus"],
    galvanic: () => [],
    elements: () => [["plus", "minus"]],
    parameters: () => [],
    start: () => 0,
    stamp({ id, fields, conditions }, stamp, state) {
      const on = conditions.rigged.has(id) && state === 0;
      stamp.conduct(0, on ? 1 / 0.05 : OPEN);
      if (fields.current === "dc") stamp.emf(0, on ? fields.volts : 0);
      else stamp.acEmf(0, on ? fields.volts : 0);
    },
    next({ id, fields, conditions }, view, state) {
      const amps = fields.current === "dc" ? Math.abs(view.current(0)) : view.acCurrent(0);
      // A slow fuse: three times its rating, so that a motor may start.
      return state === 0 && conditions.rigged.has(id) && amps > 3 * fields.amps ? { state: 1, delay: 1 } : null;
    },
  },
  failures: {
    modes: () => [],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {},
});
