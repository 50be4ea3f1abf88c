import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/line-filter";

/**
 * A mains filter: chokes in both lines, a capacitor across them with its discharge resistor, and one from each to the
 * case.
 */
export const lineFilter = definePart({
  kind: "line filter",
  fields: () =>
    z.object({
      xFarads: number({ min: 0, max: 1e-5 }).default(1e-7),
      yFarads: number({ min: 0, max: 1e-7 }).default(2.2e-9),
    }),
  electrical: {
    terminals: () => ["line-in", "neutral-in", "line", "neutral", "earth"],
    galvanic: () => [["line-in", "line", "neutral-in", "neutral"], ["earth"]],
    elements: () => [
      ["line-in", "line"],
      ["neutral-in", "neutral"],
      ["line", "neutral"],
      ["line", "earth"],
      ["neutral", "earth"],
    ],
    parameters: () => [
      { name: "choke ohms", nominal: 0.1, tolerance: 0.4 },
      { name: "discharge ohms", nominal: 1e6, tolerance: 0.05 },
    ],
    stamp({ fields, mode, values, conditions }, stamp) {
      const omega = 2 * Math.PI * conditions.hertz;
      stamp.conduct(0, mode === "line-open" ? OPEN : 1 / values[0]!);
      stamp.conduct(1, mode === "neutral-open" ? OPEN : 1 / values[0]!);
      if (mode === "shorted") stamp.conduct(2, 2);
      else {
        stamp.dc(2, 1 / values[1]!);
        stamp.ac(2, 1 / values[1]!, omega * fields.xFarads);
      }
      for (const y of [3, 4]) {
        stamp.dc(y, OPEN);
        stamp.ac(y, OPEN, omega * fields.yFarads);
      }
    },
  },
  failures: {
    modes: () => [
      { id: "line-open", words: say.lineChokeOpen, odds: 1, source: "from memory" },
      { id: "neutral-open", words: say.neutralChokeOpen, odds: 1, source: "from memory" },
      { id: "shorted", words: say.shortedAcrossTheLines, odds: 0.5, source: "from memory" },
    ],
    signs: () => [
      {
        id: "bulged",
        words: say.filterCaseBulgedOrBurnt,
        given: { shorted: 0.6, "line-open": 0.1, "neutral-open": 0.1 },
        otherwise: 0.01,
      },
    ],
  },
  observed: null,
  safety: {
    traits: [],
    cautions: [say.itsCapacitorHoldsACharge],
  },
  service: {
    alone: say.unpluggedOhmsThroughEachLine,
    onBoard: () => "board fuse or filter",
  },
});
