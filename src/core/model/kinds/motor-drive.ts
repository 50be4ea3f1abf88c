import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, CHIPS_OHMS, CLAMP_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/motor-drive";

const OFF = 0;
const DRIVES = 1;
const FOLDED = 2;
/**
 * Siemens through a transistor that is off, with what damps it: which of the two of a half-bridge leaks more is anybody's
 * guess, so its output floats anywhere between return and rail. From memory.
 */
const LEAK = 1e-6;

/**
 * A drive for a direct-current motor: fed from a rail, driven while its input is lifted, folding back when too much
 * flows.
 */
export const motorDrive = definePart({
  kind: "motor drive",
  fields: () =>
    z.object({
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
    parameters: (f) => [
      { name: "idle ohms", nominal: 3e3, tolerance: VAGUE_OHMS, vague: true },
      // At its limit a transistor drops a quarter of a volt or so; from memory.
      { name: "on ohms", nominal: 0.25 / f.limitAmps, tolerance: 0.4 },
      { name: "input ohms", nominal: 1e5, tolerance: VAGUE_OHMS, vague: true },
      // What leaks through the upper transistors when they are off; through the lower ones the rest of twice as much.
      { name: "leak", nominal: LEAK, tolerance: 0.98, vague: true },
    ],
    start: () => OFF,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, 1 / values[0]!);
      stamp.conduct(1, 1 / values[2]!);
      const drives = mode === "shorted" || (state === DRIVES && mode === null);
      const [upper, lower] = [values[3]!, 2 * LEAK - values[3]!];
      stamp.conduct(2, drives ? 1 / values[1]! : upper);
      // Off, both half-bridges let go of the motor.
      stamp.conduct(3, drives ? 1 / values[1]! : lower);
      stamp.conduct(4, state === FOLDED ? 1 / 50 : OPEN);
      stamp.conduct(5, lower);
      stamp.conduct(6, upper);
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
