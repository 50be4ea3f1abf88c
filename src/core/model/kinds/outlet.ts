import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/outlet";

/** The wall outlet and the wiring behind it: line, neutral bonded to earth at the building, protective earth. */
export const outlet = definePart({
  kind: "outlet",
  fields: () => z.object({}),
  electrical: {
    terminals: () => ["line", "neutral", "earth"],
    source: () => true,
    galvanic: () => [["line", "neutral"], ["earth"]],
    energises: () => [
      ["line", "mains"],
      ["earth", "earth"],
    ],
    elements: () => [
      ["line", "@ground"],
      ["neutral", "@ground"],
      ["earth", "@ground"],
    ],
    parameters: () => [{ name: "source ohms", nominal: 0.3, tolerance: 0.5 }],
    stamp({ id, mode, values, conditions }, stamp) {
      const on = conditions.isOn(id);
      const plugged = on ? 1 / values[0]! : OPEN;
      stamp.conduct(0, mode === "dead" ? OPEN : plugged);
      stamp.acEmf(0, on && mode !== "dead" ? conditions.supplyVolts : 0);
      stamp.conduct(1, on && mode !== "neutral-open" ? 10 : OPEN);
      stamp.conduct(2, on && mode !== "earth-open" ? 10 : OPEN);
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.noVoltage, odds: 3, source: "from memory" },
      { id: "neutral-open", words: say.neutralOpen, odds: 0.5, source: "from memory" },
      { id: "earth-open", words: say.earthMissing, odds: 0.5, source: "from memory" },
    ],
    signs: () => [
      {
        id: "kettle-dead",
        words: say.anotherApplianceDoesNotRun,
        given: { dead: 0.98, "neutral-open": 0.98 },
        otherwise: 0.01,
      },
    ],
  },
  observed: null,
  safety: {
    traits: ["licensed"],
    cautions: [say.mainsAtTheOutletProbes],
    isolatedBy: "plug",
  },
  service: {
    alone: say.tryAnotherApplianceOnThe,
  },
});
