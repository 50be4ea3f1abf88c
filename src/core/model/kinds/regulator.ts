import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, CHIPS_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/regulator";

const OUT = 0; // memory: output volts
const LOAD = 1; // memory: input conductance

/** A linear regulator: a lower rail from a higher one, sharing its return. */
export const regulator = definePart({
  kind: "regulator",
  fields: () => z.object({ volts: number({ above: 0, max: 48 }), dropoutVolts: number({ min: 0, max: 5 }) }),
  electrical: {
    terminals: () => ["in", "out", "return"],
    galvanic: () => [["in", "out", "return"]],
    carries: () => ({ direct: ["in", "out"] }),
    elements: () => [
      ["in", "return"],
      ["out", "return"],
      ["in", "out"],
    ],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.03 },
      { name: "idle ohms", nominal: 2e4, tolerance: VAGUE_OHMS, vague: true },
    ],
    memory: 2,
    stamp({ mode, values }, stamp, _state, memory) {
      const working = memory[OUT]! > 0.5 && mode === null;
      stamp.conduct(0, 1 / values[1]! + memory[LOAD]!);
      stamp.conduct(1, working ? 1 / 0.1 : 2 / values[1]!);
      stamp.emf(1, working ? memory[OUT]! : 0);
      stamp.conduct(2, mode === "passes" ? 1 : OPEN);
    },
    dead({ mode }, stamp) {
      for (const rail of [0, 1]) stamp.between(rail, OPEN, 1 / CHIPS_OHMS);
      if (mode === "passes") stamp.conduct(2, 1);
      else stamp.between(2, OPEN, 1 / JUNCTION_OHMS);
    },
    follow({ fields, mode, values }, view, _state, memory) {
      const volts = view.dc("in", "return");
      memory[OUT] = mode === null ? Math.max(0, Math.min(values[0]!, volts - fields.dropoutVolts)) : 0;
      // A linear regulator draws from its input what it gives at its output.
      // Starved, it is taken as a resistance, so that there is an operating point.
      memory[LOAD] =
        memory[OUT] > 0.5 && volts > 1
          ? Math.max(0, -view.current(1)) / Math.max(volts, fields.volts + fields.dropoutVolts)
          : 0;
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.noOutput, odds: 1.5, source: "from memory" },
      { id: "passes", words: say.shortedPassesItsInput, odds: 0.4, source: "from memory" },
    ],
    signs: () => [{ id: "hot", words: say.tooHotToTouch, given: { passes: 0.3, dead: 0.2 }, otherwise: 0.03 }],
    unitSigns: { warm: 0.3 },
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.inputAndOutputVoltsAgainst,
    tool: "supply",
    onBoard: () => "low-voltage supply",
  },
});
