import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/motor-drive";

const OFF = 0;
const DRIVES = 1;
const FOLDED = 2;

/**
 * A drive for a direct-current motor: fed from a rail, driven while its input is lifted, folding back when too much
 * flows.
 */
export const motorDrive = definePart({
  kind: "motor drive",
  fields: z.object({
    volts: number({ above: 0, max: 60 }),
    inputVolts: number({ above: 0, max: 60 }),
    limitAmps: number({ above: 0, max: 400 }),
  }),
  electrical: {
    terminals: () => ["plus", "return", "input", "out-a", "out-b", "report"],
    galvanic: () => [["plus", "return", "input", "out-a", "out-b", "report"]],
    elements: () => [
      ["plus", "return"],
      ["input", "return"],
      ["plus", "out-a"],
      ["out-b", "return"],
      ["report", "return"],
    ],
    parameters: () => [
      { name: "idle ohms", nominal: 3e3, tolerance: VAGUE_OHMS, vague: true },
      { name: "on ohms", nominal: 0.04, tolerance: 0.4 },
    ],
    start: () => OFF,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.conduct(1, 1 / 1e5);
      const drives = mode === "shorted" || (state === DRIVES && mode === null);
      stamp.conduct(2, drives ? 1 / values[1]! : 1 / 1e6);
      stamp.conduct(3, drives || mode === null ? 1 / values[1]! : 1 / 1e6);
      stamp.conduct(4, state === FOLDED ? 1 / 50 : OPEN);
    },
    next({ fields, mode }, view, state) {
      if (mode !== null) return null;
      const asked = view.dc("input", "return") > fields.inputVolts && view.dc("plus", "return") > 0.6 * fields.volts;
      if (!asked) return state === OFF ? null : { state: OFF, delay: 0.02 };
      if (state === DRIVES && Math.abs(view.current(2)) > fields.limitAmps) return { state: FOLDED, delay: 0.8 };
      return state === OFF ? { state: DRIVES, delay: 0.05 } : null;
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.doesNotDrive, odds: 1.5, source: "from memory" },
      { id: "shorted", words: say.shortedDrivesAllTheTime, odds: 0.8, source: "from memory" },
    ],
    signs: () => [{ id: "scorch", words: say.scorchedDriver, given: { dead: 0.3, shorted: 0.5 }, otherwise: 0.02 }],
  },
  observed: null,
  safety: {
    traits: ["moves", "starts-by-itself", "stores-charge"],
    cautions: [say.aDriveThatFoldsBack],
  },
  service: {
    alone: say.itsRailThenItsInput,
    onBoard: () => "driver",
  },
});
