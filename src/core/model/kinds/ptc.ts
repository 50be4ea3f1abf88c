import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/ptc";

/** A ceramic PTC: low when cold, high when its own current has heated it. As a starter or a small heater. */
export const ptc = definePart({
  kind: "ptc",
  fields: () => z.object({ coldOhms: number({ above: 0, max: 1e5 }), hotOhms: number({ above: 0, max: 1e7 }) }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [
      { name: "cold ohms", nominal: f.coldOhms, tolerance: 0.25 },
      { name: "hot ohms", nominal: f.hotOhms, tolerance: 0.4 },
    ],
    start: () => 0,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, siemens(mode, state, values));
    },
    next({ values, mode }, view, state) {
      if (mode !== null) return null;
      const volts = Math.max(view.ac("a", "b"), Math.abs(view.dc("a", "b")));
      const watts = volts ** 2 / (state === 1 ? values[1]! : values[0]!);
      const wanted = state === 0 ? watts > 2 : volts > 1;
      return wanted === (state === 1) ? null : { state: wanted ? 1 : 0, delay: state === 0 ? 1 : 60 };
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: say.crackedOpen, odds: 1.2, source: "from memory" },
      { id: "shorted", words: "shorted", odds: 0.3, source: "from memory" },
    ],
    signs: () => [{ id: "rattles", words: say.rattlesWhenShaken, given: { open: 0.7 }, otherwise: 0.01 }],
  },
  observed: null,
  safety: {
    traits: ["hot"],
  },
  service: {
    alone: say.coldLeadsOffOhmsAgainst,
  },
});

/** What it conducts, in siemens. */
function siemens(mode: string | null, state: number, values: readonly number[]): number {
  if (mode === "open") return OPEN;
  if (mode === "shorted") return 1;
  return 1 / (state === 1 ? values[1]! : values[0]!);
}
