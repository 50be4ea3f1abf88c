import { z } from "zod";
import { number } from "../scalar";
import { definePart, VAGUE_OHMS, CHIPS_OHMS, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/non-isolated-supply";

const OUT = 0; // memory: output volts

/**
 * A supply that takes a low rail straight from the line, by a dropping capacitor or a buck converter. Its return is
 * the neutral: the low rail is as deadly as the mains.
 */
export const nonIsolatedSupply = definePart({
  kind: "non-isolated supply",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      lineVolts: number({ above: 0, max: 300 }),
      maxAmps: number({ above: 0, max: 10 }),
    }),
  electrical: {
    terminals: () => ["line", "neutral", "out"],
    galvanic: () => [["line", "neutral", "out"]],
    carries: () => ({ direct: ["out"] }),
    elements: () => [
      ["line", "neutral"],
      ["out", "neutral"],
    ],
    parameters: (f) => [
      { name: "output ohms", nominal: f.volts / f.maxAmps / 20, tolerance: 0.3 },
      { name: "idle ohms", nominal: 5e3, tolerance: VAGUE_OHMS, vague: true },
      { name: "discharge ohms", nominal: 4.7e5, tolerance: 0.05 },
    ],
    memory: 1,
    stamp({ mode, severity, values }, stamp, _state, memory) {
      stamp.dc(0, 1 / values[2]!);
      stamp.ac(0, 1 / values[2]! + 2e-4, 1e-4);
      const on = memory[OUT]! > 0.5;
      stamp.conduct(1, on ? 1 / (mode === "weak" ? severity : values[0]!) : 1 / values[1]!);
      stamp.emf(1, on ? memory[OUT]! : 0);
    },
    dead(_instance, stamp) {
      stamp.between(0, OPEN, 1 / 9e4);
      stamp.between(1, OPEN, 1 / CHIPS_OHMS);
    },
    follow({ fields, mode }, view, _state, memory) {
      const share = view.ac("line", "neutral") / fields.lineVolts;
      memory[OUT] = mode === "dead" || share < 0.5 ? 0 : fields.volts * Math.min(1, share * 1.3);
    },
  },
  failures: {
    modes: (f) => [
      { id: "dead", words: say.noOutputDropperFuseResistor, odds: 2.5, source: "from memory" },
      {
        id: "weak",
        words: say.dropperHasLostItsCapacitance,
        odds: 2,
        source: "from memory",
        severity: [f.volts / f.maxAmps, (6 * f.volts) / f.maxAmps],
      },
    ],
    signs: () => [
      { id: "browned", words: say.boardBrownedUnderTheDropper, given: { dead: 0.3, weak: 0.4 }, otherwise: 0.03 },
    ],
    unitSigns: { warm: 0.3, storm: 0.35 },
  },
  observed: null,
  safety: {
    traits: ["stores-charge", "not-isolating"],
    cautions: [say.notIsolatedItsLowRail],
  },
  service: {
    alone: say.fedFromTheLineOn,
    tool: "supply",
    onBoard: () => "low-voltage supply",
    repairs: "capacitors",
  },
});
