import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, CHIPS_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/linear-supply";

const OUT = 0; // memory: output volts
const LOAD = 1; // memory: input conductance

/**
 * A bridge into an empty capacitor is a path for whatever a meter lets through, ohms: what opens before it has its whole
 * volts across it. By a circuit simulator, see tests/outside/door-machines.
 */
const IDLE_OHMS = 1e6;

/** Bridge and smoothing capacitor behind a transformer: an unregulated direct rail. */
export const linearSupply = definePart({
  kind: "linear supply",
  fields: () => z.object({ volts: number({ above: 0, max: 60 }) }),
  electrical: {
    terminals: () => ["in-a", "in-b", "out", "return"],
    galvanic: () => [["in-a", "in-b", "out", "return"]],
    ripples: true,
    carries: () => ({ direct: ["out"], alternating: ["in-a", "in-b"] }),
    elements: () => [
      ["in-a", "in-b"],
      ["out", "return"],
      ["in-a", "return"],
      ["in-b", "return"],
    ],
    parameters: (f) => [
      { name: "output ohms", nominal: f.volts / 12, tolerance: 0.3 },
      { name: "idle ohms", nominal: 1e4, tolerance: VAGUE_OHMS, vague: true },
      { name: "short ohms", nominal: 1, tolerance: 0.95, vague: true },
    ],
    memory: 2,
    stamp({ mode, values }, stamp, _state, memory) {
      stamp.dc(0, mode === "shorted" ? 2 : OPEN);
      if (mode === "shorted") stamp.ac(0, 2);
      else stamp.ac(0, mode === "bridge-open" ? OPEN : Math.max(1 / IDLE_OHMS, memory[LOAD]!));
      const on = memory[OUT]! > 0.5 && mode !== "shorted";
      stamp.conduct(1, inputSiemens(mode, on, values));
      stamp.emf(1, on ? memory[OUT]! : 0);
      // Dry, the rail follows the line: its ripple is an alternating voltage one can measure.
      stamp.acEmf(1, on && mode === "capacitor-dry" ? memory[OUT]! * 0.4 : 0);
      for (const diode of [2, 3]) stamp.conduct(diode, 1 / 1e6);
    },
    dead({ mode, values }, stamp) {
      if (mode === "shorted") stamp.conduct(0, 1 / values[2]!);
      else stamp.between(0, OPEN, mode === "bridge-open" ? OPEN : 1 / JUNCTION_OHMS);
      if (mode === "shorted") stamp.conduct(1, 1 / values[2]!);
      else stamp.between(1, OPEN, 1 / CHIPS_OHMS);
      for (const diode of [2, 3]) stamp.between(diode, OPEN, 1 / JUNCTION_OHMS);
    },
    follow({ fields, mode }, view, _state, memory) {
      const volts = view.ac("in-a", "in-b");
      const peak = Math.max(0, volts * Math.SQRT2 - 1.4);
      memory[OUT] = mode === "bridge-open" || mode === "shorted" ? 0 : peak * (mode === "capacitor-dry" ? 0.64 : 1);
      // A rectifier draws the current that it gives, and about a tenth more as rms (from memory).
      // Below half its usual input it is taken as a resistance, so that a starved supply has an operating point.
      memory[LOAD] = (1.1 * Math.max(0, -view.current(1))) / Math.max(volts, (0.6 * fields.volts) / Math.SQRT2);
    },
  },
  failures: {
    modes: () => [
      { id: "bridge-open", words: say.bridgeOpen, odds: 1, source: "from memory" },
      { id: "capacitor-dry", words: say.smoothingCapacitorDriedOut, odds: 2, source: "from memory" },
      { id: "shorted", words: say.bridgeOrCapacitorShorted, odds: 0.7, source: "from memory" },
    ],
    signs: () => [
      { id: "bulged", words: say.bulgedCapacitor, given: { "capacitor-dry": 0.6, shorted: 0.3 }, otherwise: 0.02 },
    ],
    unitSigns: { warm: 0.3 },
  },
  observed: null,
  safety: {
    traits: ["stores-charge"],
  },
  service: {
    alone: say.acVoltsInDcVolts,
    tool: "supply",
    onBoard: () => "low-voltage supply",
    repairs: "capacitors",
  },
});

/** What its output conducts, in siemens. */
function inputSiemens(mode: string | null, on: boolean, values: readonly number[]): number {
  if (mode === "shorted") return 1;
  if (on) return 1 / values[0]!;
  return 1 / values[1]!;
}
