import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";
import { say } from "#words/core/model/kinds/pump";

/** Times its running current that it draws while it does not turn; from memory. */
const AT_REST = 2.5;

/** A pump with its motor. */
export const pump = definePart({
  kind: "pump",
  fields: coilPlate,
  electrical: coilElectrical(0.6, { mode: "jammed", times: AT_REST }),
  failures: {
    modes: () => [
      { id: "open", words: say.windingOpen, odds: 1.2, source: "from memory" },
      { id: "jammed", words: "jammed", odds: 1.5, source: "from memory" },
    ],
    signs: () => [{ id: "debris", words: say.debrisInThePump, given: { jammed: 0.7 }, otherwise: 0.05 }],
    unitSigns: { unused: 0.35 },
  },
  observed: {
    noticed: say.listenAHandOnThe,
    observable: () => ({ what: "pump", labels: ["pumps", "silent", "hums"] }),
    look: ({ fields, mode }, view) => {
      if (mode === "open" || !isFed(view, "a", "b", fields)) return "silent";
      return mode === "jammed" ? "hums" : "pumps";
    },
  },
  safety: {
    traits: ["moves", "starts-by-itself", "hot-water"],
    cautions: [say.waterAndMainsEmptyThe],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "motor",
  },
});
