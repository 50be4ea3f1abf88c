import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { FAN_CAUTION, fanFailures, fanNoticed } from "./fan";
import { say } from "#words/core/model/kinds/dc-fan";

/** A direct-current fan. */
export const dcFan = definePart({
  kind: "dc fan",
  fields: () => z.object({ volts: number({ above: 0, max: 60 }), amps: number({ above: 0, max: 20 }) }),
  electrical: {
    terminals: () => ["plus", "minus"],
    load: true,
    galvanic: () => [["plus", "minus"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [{ name: "run ohms", nominal: f.volts / f.amps, tolerance: 0.15 }],
    stamp({ mode, severity, values }, stamp) {
      stamp.conduct(0, mode === "open" ? OPEN : (mode === "seized" ? severity : 1) / values[0]!);
    },
    // Brushless: its electronics show a junction or nothing, never its running ohms.
    dead: ({ mode }, stamp) => stamp.between(0, OPEN, mode === "open" ? OPEN : 1 / JUNCTION_OHMS),
  },
  failures: {
    ...fanFailures,
    // Times its running current: one electronics tries again now and then, another burns on; from memory.
    modes: () => fanFailures.modes().map((m) => (m.id === "seized" ? { ...m, severity: [0.1, 2.5] as const } : m)),
  },
  observed: {
    ...fanNoticed,
    look: ({ fields, mode }, view) =>
      mode === null && view.dc("plus", "minus") > 0.6 * fields.volts ? "runs" : "silent",
  },
  safety: {
    traits: ["moves", "starts-by-itself"],
    cautions: [FAN_CAUTION],
  },
  service: {
    alone: say.unpluggedFromTheBoardFed,
  },
});
