import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/engine-set";

const STANDS = 0;
const CRANKS = 1;
const RUNS = 2;

/**
 * An engine with its generator: cranked from a start battery, kept running while its fuel solenoid is fed. Its
 * alternating voltage is not in step with the utility's, so it stands at right angles to it in the phasor solve.
 */
export const engineSet = definePart({
  kind: "engine set",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 480 }),
      crankAmps: number({ above: 0, max: 1000 }),
      startVolts: number({ above: 0, max: 60 }),
    }),
  electrical: {
    terminals: () => ["crank", "fuel", "return", "line", "neutral"],
    source: () => true,
    galvanic: () => [
      ["crank", "fuel", "return"],
      ["line", "neutral"],
    ],
    energises: () => [["line", "mains"]],
    elements: () => [
      ["crank", "return"],
      ["fuel", "return"],
      ["line", "neutral"],
    ],
    parameters: (f) => [
      { name: "crank ohms", nominal: f.startVolts / f.crankAmps, tolerance: 0.2 },
      { name: "fuel ohms", nominal: 8, tolerance: 0.1 },
      { name: "generator ohms", nominal: 0.3, tolerance: 0.3 },
      { name: "volts", nominal: f.volts, tolerance: 0.04 },
      { name: "winding ohms", nominal: 1, tolerance: 0.8, vague: true },
    ],
    start: () => STANDS,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, mode === "starter-open" ? OPEN : 1 / values[0]!);
      stamp.conduct(1, 1 / values[1]!);
      const gives = state === RUNS && mode !== "no-output";
      // A generator that stands is its winding.
      stamp.dc(2, 1 / (gives ? values[2]! : values[4]!));
      stamp.ac(2, gives ? 1 / values[2]! : 0.1, gives ? 0 : -0.3);
      stamp.acEmf(2, gives ? values[3]! : 0);
    },
    next({ id, fields, mode, conditions }, view, state) {
      const fuel = view.dc("fuel", "return") > 0.6 * fields.startVolts;
      const cranked =
        view.dc("crank", "return") > 0.5 * fields.startVolts && mode !== "starter-open" && conditions.isOn(id);
      if (state === RUNS) return fuel && conditions.isOn(id) ? null : { state: STANDS, delay: 1 };
      if (cranked && fuel && mode !== "no-fuel") return { state: RUNS, delay: 2 };
      const wanted = cranked ? CRANKS : STANDS;
      return wanted === state ? null : { state: wanted, delay: 0.1 };
    },
  },
  failures: {
    modes: () => [
      { id: "no-fuel", words: say.cranksAndDoesNotStart, odds: 2, source: "from memory" },
      { id: "starter-open", words: say.starterOpen, odds: 1.5, source: "from memory" },
      { id: "no-output", words: say.runsGivesNoVoltage, odds: 1, source: "from memory" },
    ],
    signs: () => [{ id: "no-fuel", words: say.tankOrTapEmpty, given: { "no-fuel": 0.5 }, otherwise: 0.03 }],
  },
  observed: {
    noticed: say.listenOutsideTheCoverExhaust,
    observable: () => ({ what: "engine", labels: ["runs", "cranks", "stands"] }),
    look: (_instance, _view, state) => {
      if (state === RUNS) return "runs";
      return state === CRANKS ? "cranks" : "stands";
    },
  },
  safety: {
    traits: ["moves", "starts-by-itself", "suspended-load", "licensed"],
    cautions: [say.itMayStartByItself, say.exhaustKillsIndoorsTheEngine],
    isolatedBy: "locking out",
  },
  service: {
    alone: say.lockedOutVoltsAtThe,
  },
});
