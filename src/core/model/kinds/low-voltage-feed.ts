import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/low-voltage-feed";

/** A feed of low voltage from outside the machine: a 24 V control transformer of the house, a plug-in supply. */
export const lowVoltageFeed = definePart({
  kind: "low-voltage feed",
  fields: () =>
    z.object({
      current: z.enum(["ac", "dc"]),
      volts: number({ above: 0, max: 60 }),
      /** What it gives before its own limit or fuse cuts it off. */
      amps: number({ above: 0, max: 200 }),
    }),
  electrical: {
    terminals: () => ["plus", "minus"],
    source: () => true,
    galvanic: () => [["plus", "minus"]],
    energises: () => [["plus", "isolated low voltage"]],
    carries: (f) => (f.current === "ac" ? { alternating: ["plus", "minus"] } : { direct: ["plus", "minus"] }),
    elements: () => [["plus", "minus"]],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.05 },
      { name: "inner ohms", nominal: (0.08 * f.volts) / f.amps, tolerance: 0.3 },
    ],
    start: () => 0,
    stamp({ id, fields, mode, severity, values, conditions }, stamp, state) {
      const on = conditions.isOn(id) && mode !== "dead" && state === 0;
      stamp.conduct(0, on ? 1 / (mode === "weak" ? severity : values[1]!) : OPEN);
      if (fields.current === "dc") stamp.emf(0, on ? values[0]! : 0);
      else stamp.acEmf(0, on ? values[0]! : 0);
    },
    next({ fields, values }, view, state) {
      const amps = fields.current === "dc" ? Math.abs(view.current(0)) : view.acCurrent(0);
      return state === 0 && amps > 4 * fields.amps * (values[0]! > 0 ? 1 : 0) ? { state: 1, delay: 0.1 } : null;
    },
  },
  failures: {
    modes: (f) => [
      { id: "dead", words: say.givesNothing, odds: 2, source: "from memory" },
      {
        id: "weak",
        words: say.breaksDownUnderLoad,
        odds: 1,
        source: "from memory",
        severity: [f.volts / f.amps, (4 * f.volts) / f.amps],
      },
    ],
    signs: () => [{ id: "lamp-out", words: say.itsOwnLampIsOut, given: { dead: 0.6, weak: 0.2 }, otherwise: 0.05 }],
    unitSigns: { storm: 0.25 },
  },
  observed: null,
  safety: {
    traits: [],
    cautions: [say.noShockButItBurns],
    isolatedBy: "plug",
  },
  service: {
    alone: say.openThenUnderItsLoad,
  },
});
