import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { FAN_CAUTION, fanFailures, fanNoticed } from "./fan";
import { isFed, stampWinding } from "./load";
import { say } from "#words/core/model/kinds/ac-fan";

/** Times its running current that it draws at rest: a shaded-pole motor is protected by its impedance; from memory. */
const AT_REST = 1.4;

/** A fan on the mains. */
export const acFan = definePart({
  kind: "fan",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 300 }),
      amps: number({ above: 0, max: 20 }),
      ohms: number({ above: 0, max: 1e4 }),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [
      { name: "winding ohms", nominal: f.ohms, tolerance: 0.1 },
      { name: "run amps", nominal: f.amps, tolerance: 0.15 },
    ],
    stamp({ fields, mode, values }, stamp) {
      if (mode === "open") stamp.conduct(0, OPEN);
      else
        stampWinding(
          stamp,
          0,
          values[0]!,
          { current: "ac", volts: fields.volts },
          values[1]! * (mode === "seized" ? AT_REST : 1),
          0.6,
        );
    },
    stampAtStart({ fields, mode, values }, stamp) {
      if (mode !== "open")
        stampWinding(stamp, 0, values[0]!, { current: "ac", volts: fields.volts }, values[1]! * AT_REST, 0.6);
    },
  },
  failures: fanFailures,
  observed: {
    ...fanNoticed,
    look: ({ fields, mode }, view) =>
      mode === null && isFed(view, "a", "b", { current: "ac", volts: fields.volts }) ? "runs" : "silent",
  },
  safety: {
    traits: ["moves", "starts-by-itself", "sharp"],
    cautions: [FAN_CAUTION],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "motor",
  },
});
