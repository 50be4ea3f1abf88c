import { z } from "zod";
import { id, words } from "../scalar";
import { NO_CIRCUIT } from "./no-circuit";
import { definePart } from "../kind";
import { say } from "#words/core/model/kinds/driven";

/** Something a motor drives by a belt or a coupling: it moves when the motor turns and the belt holds. */
export const driven = definePart({
  kind: "driven",
  fields: () => z.object({ by: id, when: words }),
  electrical: NO_CIRCUIT,
  failures: {
    modes: () => [
      { id: "belt-off", words: say.beltTornOrOff, odds: 1.5, source: "from memory" },
      { id: "drags", words: say.bearingOrBeltDrags, odds: 0.8, source: "from memory" },
    ],
    jams: ["drags"],
    signs: () => [
      {
        id: "worn-belt",
        words: say.wornBeltRubberDust,
        given: { "belt-off": 0.7, drags: 0.25 },
        otherwise: 0.05,
      },
    ],
  },
  observed: {
    noticed: say.watchWhetherItMovesHands,
    observable: () => ({ what: "drive", labels: ["moves", "stands"] }),
    byHand: (mode) => mode !== "drags",
    look: ({ fields, mode }, view) => (mode === null && view.seen(fields.by) === fields.when ? "moves" : "stands"),
  },
  safety: {
    traits: ["moves", "suspended-load"],
    cautions: [say.unplugBeforeYouReachInto],
  },
  service: {
    alone: say.unpluggedTurnItByHand,
  },
});
