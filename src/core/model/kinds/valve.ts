import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";
import { say } from "#words/core/model/kinds/valve";

/** A valve opened by its coil: water, hot gas. */
export const valve = definePart({
  kind: "valve",
  fields: coilPlate,
  electrical: coilElectrical(0.5),
  failures: {
    modes: () => [
      { id: "open", words: say.coilOpen, odds: 1.5, source: "from memory" },
      { id: "stuck-shut", words: say.stuckShut, odds: 1, source: "from memory" },
      { id: "stuck-open", words: say.doesNotClose, odds: 0.6, source: "from memory" },
    ],
    signs: () => [
      {
        id: "scale",
        words: say.limeOrGritInThe,
        given: { "stuck-shut": 0.6, "stuck-open": 0.4 },
        otherwise: 0.1,
      },
    ],
    unitSigns: { unused: 0.3 },
  },
  observed: {
    noticed: say.listenForWaterAHand,
    observable: () => ({ what: "valve", labels: ["flows", "shut"] }),
    look({ fields, mode }, view) {
      if (mode === "stuck-open") return "flows";
      return mode === null && isFed(view, "a", "b", fields) ? "flows" : "shut";
    },
  },
  safety: {
    traits: ["ages"],
    cautions: [say.shutTheWaterOffBefore],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "heater",
  },
});
