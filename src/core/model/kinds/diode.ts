import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, CHIPS_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/diode";

/** A diode for direct current, as a switch that closes when it is driven forward. Its forward voltage is left out. */
export const diode = definePart({
  kind: "diode",
  fields: () => z.object({ amps: number({ above: 0, max: 400 }) }),
  electrical: {
    takesUp: true,
    terminals: () => ["anode", "cathode"],
    galvanic: () => [["anode", "cathode"]],
    elements: () => [["anode", "cathode"]],
    parameters: () => [{ name: "forward ohms", nominal: 0.05, tolerance: 0.4 }],
    start: ({ mode }) => (mode === "shorted" ? 1 : 0),
    stamp: ({ mode, values }, stamp, state) => stamp.conduct(0, siemens(mode, state, values)),
    dead({ mode, values }, stamp) {
      if (mode === "open") stamp.conduct(0, OPEN);
      else if (mode === "shorted") stamp.conduct(0, 1 / values[0]!);
      else stamp.between(0, OPEN, 1 / CHIPS_OHMS);
    },
    next({ mode }, view, state) {
      if (mode !== null) return null;
      const wanted = state === 0 ? view.dc("anode", "cathode") > 0.6 : view.current(0) > -1e-6;
      return wanted === (state === 1) ? null : { state: wanted ? 1 : 0, delay: 1e-4 };
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: "open", odds: 0.6, source: "from memory" },
      { id: "shorted", words: "shorted", odds: 0.8, source: "from memory" },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.deadOneLeadOffDiode,
    onBoard: () => "low-voltage supply",
    builtIn: { amps: 6 },
  },
});

/** What it conducts, in siemens. */
function siemens(mode: string | null, state: number, values: readonly number[]): number {
  if (mode === "open") return OPEN;
  if (state === 1 || mode === "shorted") return 1 / values[0]!;
  return 1 / 1e7;
}
