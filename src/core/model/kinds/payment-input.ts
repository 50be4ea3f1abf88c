import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/payment-input";

/** A payment module: fed from a rail, its output pulls to the return for a credit; its lamp says that it lives. */
export const paymentInput = definePart({
  kind: "payment input",
  fields: () => z.object({ volts: number({ above: 0, max: 60 }), amps: number({ above: 0, max: 5 }) }),
  electrical: {
    terminals: () => ["plus", "return", "pulse"],
    galvanic: () => [["plus", "return", "pulse"]],
    elements: () => [
      ["plus", "return"],
      ["pulse", "return"],
    ],
    parameters: (f) => [
      { name: "run ohms", nominal: f.volts / f.amps, tolerance: 0.2 },
      { name: "pulse ohms", nominal: 30, tolerance: 0.3 },
    ],
    stamp({ id, fields: _fields, mode, values, conditions }, stamp, state) {
      stamp.conduct(0, mode === "dead" ? 1e-4 : 1 / values[0]!);
      stamp.conduct(1, state === 1 && mode === null && conditions.made.has(id) ? 1 / values[1]! : OPEN);
    },
    dead(_instance, stamp) {
      for (const side of [0, 1]) stamp.between(side, OPEN, 1 / JUNCTION_OHMS);
    },
    start: () => 0,
    next({ fields, mode }, view, state) {
      const wanted = mode !== "dead" && view.dc("plus", "return") > 0.7 * fields.volts ? 1 : 0;
      return wanted === state ? null : { state: wanted, delay: 0.5 };
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: "dead", odds: 1.5, source: "from memory" },
      { id: "no-pulse", words: say.givesNoCredit, odds: 1, source: "from memory" },
    ],
  },
  observed: {
    noticed: say.lookAtTheLampOf,
    observable: () => ({ what: "module lamp", labels: ["lit", "dark"] }),
    look: (_instance, _view, state) => (state === 1 ? "lit" : "dark"),
  },
  safety: {
    traits: ["worked-by-hand", "takes-payment"],
  },
  service: {
    alone: say.itsRailAtItsOwn,
  },
});
