import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/transformer";

const OUT = 0; // memory: output volts
const LOAD = 1; // memory: input conductance

/** An isolating transformer as a block: what the secondary gives is drawn at the primary. */
export const transformer = definePart({
  kind: "transformer",
  fields: () =>
    z.object({
      voltsIn: number({ above: 0, max: 480 }),
      voltsOut: number({ above: 0, max: 60 }),
      ohmsIn: number({ above: 0, max: 1e5 }),
      ohmsOut: number({ above: 0, max: 1000 }),
    }),
  electrical: {
    terminals: () => ["in-a", "in-b", "out-a", "out-b"],
    galvanic: () => [
      ["in-a", "in-b"],
      ["out-a", "out-b"],
    ],
    carries: () => ({ alternating: ["out-a", "out-b"] }),
    energises: () => [["out-a", "isolated low voltage"]],
    elements: () => [
      ["in-a", "in-b"],
      ["out-a", "out-b"],
    ],
    parameters: (f) => [
      { name: "primary ohms", nominal: f.ohmsIn, tolerance: 0.1 },
      { name: "secondary ohms", nominal: f.ohmsOut, tolerance: 0.1 },
    ],
    memory: 2,
    stamp({ mode, values }, stamp, _state, memory) {
      if (mode === "primary-open") stamp.conduct(0, OPEN);
      else {
        stamp.dc(0, 1 / values[0]!);
        stamp.ac(0, memory[LOAD]!, -1e-4);
      }
      stamp.conduct(1, mode === "secondary-open" ? OPEN : 1 / values[1]!);
      stamp.acEmf(1, memory[OUT]!);
    },
    follow({ fields, mode }, view, _state, memory) {
      const volts = mode === "primary-open" ? 0 : view.ac("in-a", "in-b");
      memory[OUT] = (volts * fields.voltsOut) / fields.voltsIn;
      // Current is transformed with the turns ratio; below half its voltage it is taken as a resistance.
      memory[LOAD] =
        1e-5 + (view.acCurrent(1) * fields.voltsOut) / fields.voltsIn / Math.max(volts, 0.6 * fields.voltsIn);
    },
  },
  failures: {
    modes: () => [
      { id: "primary-open", words: say.primaryOrItsThermalFuse, odds: 1.5, source: "from memory" },
      { id: "secondary-open", words: say.secondaryOpen, odds: 0.6, source: "from memory" },
    ],
    signs: () => [
      {
        id: "browned",
        words: say.windingBrownedSmell,
        given: { "primary-open": 0.4, "secondary-open": 0.3 },
        otherwise: 0.02,
      },
    ],
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.deadPlugsOffOhmsOf,
    onBoard: () => "low-voltage supply",
  },
});
