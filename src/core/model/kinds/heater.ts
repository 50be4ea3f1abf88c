import { z } from "zod";
import { number } from "../scalar";
import { LEAK_PLACE, stampLeak } from "./load";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/heater";

/** A resistive heating element in a metal sheath. Nominal ohms = volts^2 / watts. */
export const heater = definePart({
  kind: "heater",
  fields: () => z.object({ volts: number({ above: 0, max: 480 }), watts: number({ above: 0, max: 20000 }) }),
  electrical: {
    terminals: () => ["a", "b", "case"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [
      ["a", "b"],
      ["a", "case"],
      ["b", "case"],
    ],
    parameters: (f) => [{ name: "ohms", nominal: f.volts ** 2 / f.watts, tolerance: 0.1 }, LEAK_PLACE],
    stamp({ mode, severity, values }, stamp) {
      stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!);
      stampLeak(stamp, [1, 2], mode === "to-case" ? severity : null, values[1]!);
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: say.burntOut, odds: 2, source: "from memory" },
      { id: "to-case", words: say.leaksToItsCase, odds: 0.5, source: "from memory", severity: [2e3, 5e4] },
    ],
    signs: () => [
      {
        id: "break",
        words: say.visibleBreakOrBurnOn,
        given: { open: 0.4, "to-case": 0.3 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["hot", "heats"],
    cautions: [say.theSheathIsHotAfter],
  },
  service: {
    goodOhms: ({ volts }, ohms) => ({ watts: volts ** 2 / ohms }),
    alone: say.deadOneLeadOffOhms,
    tool: "heater",
  },
});
