import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/transistor-switch";

/** A transistor that switches its drain to its source when the gate is lifted. */
export const transistorSwitch = definePart({
  kind: "transistor switch",
  fields: () => z.object({ gateVolts: number({ above: 0, max: 20 }), ohms: number({ above: 0, max: 10 }) }),
  electrical: {
    terminals: () => ["gate", "drain", "source"],
    galvanic: () => [["gate", "drain", "source"]],
    elements: () => [
      ["gate", "source"],
      ["drain", "source"],
    ],
    parameters: (f) => [
      { name: "gate ohms", nominal: 1e5, tolerance: 0.3 },
      { name: "on ohms", nominal: f.ohms, tolerance: 0.4 },
    ],
    start: ({ mode }) => (mode === "shorted" ? 1 : 0),
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.conduct(1, mode !== "open" && (state === 1 || mode === "shorted") ? 1 / values[1]! : OPEN);
    },
    // Its body diode stays, whatever has become of the rest, unless it is shorted.
    dead({ mode, values }, stamp) {
      stamp.conduct(0, 1 / values[0]!);
      if (mode === "shorted") stamp.conduct(1, 1 / values[1]!);
      else stamp.between(1, OPEN, 1 / JUNCTION_OHMS);
    },
    next({ fields, mode }, view, state) {
      if (mode === "shorted") return null;
      const wanted = view.dc("gate", "source") > fields.gateVolts ? 1 : 0;
      return wanted === state ? null : { state: wanted, delay: 0.001 };
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: say.doesNotConduct, odds: 0.8, source: "from memory" },
      { id: "shorted", words: say.shortedAlwaysOn, odds: 1.5, source: "from memory" },
    ],
    signs: () => [
      { id: "cracked", words: say.transistorCrackedOrScorched, given: { shorted: 0.2, open: 0.3 }, otherwise: 0.01 },
    ],
  },
  observed: null,
  safety: {
    traits: ["breaks-current"],
  },
  service: {
    alone: say.deadOhmsDrainToSource,
    onBoard: () => "driver",
  },
});
