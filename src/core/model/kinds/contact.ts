import { z } from "zod";
import { id } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/contact";

/** One mated contact of a plug: near side (board, or first half) to far side (wire, or second half). */
export const contact = definePart({
  kind: "contact",
  fields: () => z.object({ connector: id }),
  electrical: {
    terminals: () => ["near", "far"],
    galvanic: () => [["near", "far"]],
    elements: () => [["near", "far"]],
    parameters: () => [{ name: "ohms", nominal: 0.01, tolerance: 0.5 }],
    stamp({ fields, mode, severity, values, conditions }, stamp) {
      if (mode === "open" || conditions.apart.has(fields.connector)) stamp.conduct(0, OPEN);
      else stamp.conduct(0, 1 / (mode === "resistive" ? severity : values[0]!));
    },
    connector: (f) => f.connector,
  },
  failures: {
    modes: () => [
      { id: "open", words: say.noContact, odds: 1.5, source: "from memory" },
      // A film or a spread receptacle: enough to starve a board, little enough to look whole without load.
      { id: "resistive", words: say.resistiveContact, odds: 1.2, source: "from memory", severity: [30, 1500] },
    ],
    signs: () => [
      { id: "corrosion", words: say.greenOrBlackContact, given: { open: 0.4, resistive: 0.6 }, otherwise: 0.04 },
      { id: "half-seated", words: say.plugLooseOrHalfSeated, given: { open: 0.4, resistive: 0.15 }, otherwise: 0.02 },
      { id: "scorched", words: say.housingBrownedByHeat, given: { resistive: 0.3, open: 0.1 }, otherwise: 0.01 },
    ],
    unitSigns: { moved: 0.6, warm: 0.3, "comes-and-goes": 0.45, damp: 0.5, unused: 0.35, "worked-on": 0.45 },
    provokedBy: "moving",
  },
  observed: null,
  safety: {
    traits: ["conductor", "plug-contact", "harness", "comes-and-goes"],
    cautions: [say.pullPlugsByTheHousing],
  },
  service: {
    alone: say.unpluggedOhmsAcrossTheMated,
    tool: "contact",
    repairs: "joint",
  },
});
