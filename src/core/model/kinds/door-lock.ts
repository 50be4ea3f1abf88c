import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/door-lock";

const FREE = 0;
const LOCKED = 1;

/** An electric door lock: a coil that drives the bolt, and a contact that tells whether the bolt is home. */
export const doorLock = definePart({
  kind: "door lock",
  fields: () =>
    z.object({
      door: id,
      current: z.enum(["ac", "dc"]),
      volts: number({ above: 0, max: 300 }),
      ohms: number({ above: 0, max: 1e5 }),
    }),
  electrical: {
    terminals: () => ["coil-a", "coil-b", "sense-a", "sense-b"],
    load: true,
    galvanic: () => [
      ["coil-a", "coil-b"],
      ["sense-a", "sense-b"],
    ],
    elements: () => [
      ["coil-a", "coil-b"],
      ["sense-a", "sense-b"],
    ],
    parameters: (f) => [
      { name: "coil ohms", nominal: f.ohms, tolerance: 0.1 },
      { name: "contact ohms", nominal: 0.1, tolerance: 0.5 },
    ],
    start: () => FREE,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, mode === "coil-open" ? OPEN : 1 / values[0]!);
      stamp.conduct(1, state === LOCKED && mode !== "sense-open" ? 1 / values[1]! : OPEN);
    },
    next({ fields, mode, conditions }, view, state) {
      const volts = fields.current === "ac" ? view.ac("coil-a", "coil-b") : Math.abs(view.dc("coil-a", "coil-b"));
      const driven =
        volts > 0.7 * fields.volts &&
        mode !== "coil-open" &&
        mode !== "jammed" &&
        !conditions.openDoors.has(fields.door);
      const wanted = driven ? LOCKED : FREE;
      return wanted === state ? null : { state: wanted, delay: 1.5 };
    },
  },
  failures: {
    modes: () => [
      { id: "coil-open", words: say.coilOpen, odds: 1, source: "from memory" },
      { id: "jammed", words: say.boltDoesNotMove, odds: 1, source: "from memory" },
      { id: "sense-open", words: say.doesNotReportTheBolt, odds: 1, source: "from memory" },
    ],
    signs: () => [{ id: "bent-hook", words: say.doorHookBentOrWorn, given: { jammed: 0.4 }, otherwise: 0.03 }],
  },
  observed: {
    noticed: say.listenForTheClickPull,
    observable: () => ({ what: "door lock", labels: ["locked", "free"] }),
    look: (_instance, _view, state) => (state === LOCKED ? "locked" : "free"),
  },
  safety: {
    traits: ["interlock", "spring-or-weight"],
    cautions: [say.aLockedDoorIsNot],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadPlugOffOhmsOf,
  },
});
