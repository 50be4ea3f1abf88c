import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, CHIPS_OHMS, CLAMP_OHMS } from "../kind";
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
      ["out-a", "return"],
      ["plus", "out-b"],
    ],
    parameters: () => [
      { name: "idle ohms", nominal: 3e3, tolerance: VAGUE_OHMS, vague: true },
      { name: "on ohms", nominal: 0.04, tolerance: 0.4 },
      { name: "input ohms", nominal: 1e5, tolerance: VAGUE_OHMS, vague: true },
    ],
    start: () => OFF,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.conduct(1, 1 / values[2]!);
      const drives = mode === "shorted" || (state === DRIVES && mode === null);
      stamp.conduct(2, drives ? 1 / values[1]! : 1 / 1e6);
      // Off, both half-bridges let go of the motor.
      stamp.conduct(3, drives ? 1 / values[1]! : 1 / 1e6);
      stamp.conduct(4, state === FOLDED ? 1 / 50 : OPEN);
      for (const idle of [5, 6]) stamp.conduct(idle, 1 / 1e6);
    },
    // Its transistors are off; what an ohmmeter finds are their body diodes, and the rail's chips.
    dead({ mode, values }, stamp) {
      stamp.between(0, OPEN, 1 / CHIPS_OHMS);
      stamp.between(1, 1 / values[2]!, 1 / values[2]! + 1 / CLAMP_OHMS);
      for (const bridge of [2, 3, 5, 6]) stamp.between(bridge, OPEN, 1 / JUNCTION_OHMS);
      if (mode === "shorted") stamp.conduct(2, 1 / values[1]!);
      stamp.between(4, OPEN, 1 / JUNCTION_OHMS);
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
