import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/triac";

/** What a triac lets through when off, with what damps it, as ohms; from memory. */
const LEAKS_OHMS = 5e5;
const OFF = 0;
const ON = 1;

/** A triac as an output: it conducts alternating current while its gate is driven. */
export const triac = definePart({
  kind: "triac",
  fields: () => z.object({ amps: number({ above: 0, max: 100 }) }),
  electrical: {
    terminals: () => ["gate", "mt1", "mt2"],
    galvanic: () => [["gate", "mt1", "mt2"]],
    elements: () => [
      ["gate", "mt1"],
      ["mt2", "mt1"],
    ],
    parameters: () => [
      { name: "gate ohms", nominal: 190, tolerance: 0.75, vague: true },
      { name: "on ohms", nominal: 0.15, tolerance: 0.3 },
    ],
    start: ({ mode }) => (mode === "shorted" ? ON : OFF),
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.dc(1, mode === "shorted" ? 1 / values[1]! : OPEN);
      // Off it leaks a little: through it, an unplugged load's wire shows nearly mains on a meter.
      stamp.ac(1, state === ON && mode !== "open" ? 1 / values[1]! : 1 / LEAKS_OHMS);
    },
    next({ mode }, view, state) {
      const wanted = mode === "shorted" || Math.abs(view.dc("gate", "mt1")) > 0.7 ? ON : OFF;
      return wanted === state ? null : { state: wanted, delay: 0.01 };
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: say.doesNotConduct, odds: 1, source: "from memory" },
      { id: "shorted", words: say.shortedAlwaysOn, odds: 1.5, source: "from memory" },
    ],
    signs: () => [
      { id: "cracked", words: say.triacCrackedOrScorched, given: { shorted: 0.2, open: 0.3 }, otherwise: 0.01 },
    ],
  },
  observed: null,
  safety: {
    traits: [],
    cautions: [say.aTriacSwitchedOffStill],
  },
  service: {
    alone: say.deadLoadOffOhmsBetween,
    onBoard: () => "driver",
  },
});
