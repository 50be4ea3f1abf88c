import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/charger";

/** Of its volts that one which charges too little still gives: hardly above a battery at rest; from memory. */
const TOO_LITTLE = [0.88, 0.905] as const;

/** An alternator or another charger of a battery that works while what drives it turns (`place` is driven, 0 to 1). */
export const charger = definePart({
  kind: "charger",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      ohms: number({ above: 0, max: 10 }),
      place: id,
    }),
  electrical: {
    terminals: () => ["plus", "minus"],
    galvanic: () => [["plus", "minus"]],
    energises: () => [["plus", "battery"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.01 },
      { name: "ohms", nominal: f.ohms, tolerance: 0.3 },
    ],
    stamp({ fields, mode, severity, values, conditions }, stamp) {
      // Its diodes let nothing back while it stands.
      const turns = conditions.powered && conditions.level(fields.place) > 0.5 && mode !== "dead";
      stamp.conduct(0, turns ? 1 / values[1]! : OPEN);
      stamp.emf(0, turns ? values[0]! * (mode === "low" ? severity : 1) : 0);
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.doesNotCharge, odds: 2, source: "from memory" },
      { id: "low", words: say.chargesTooLittle, odds: 1, source: "from memory", severity: TOO_LITTLE },
    ],
    signs: () => [
      { id: "belt", words: say.beltSlackOrGlazed, given: { dead: 0.25, low: 0.3 }, otherwise: 0.05 },
      { id: "warning", words: say.chargeWarningStaysLit, given: { dead: 0.8, low: 0.2 }, otherwise: 0.02 },
    ],
  },
  observed: null,
  safety: {
    traits: ["battery-arc", "moves"],
    cautions: [say.engineRunsHandsAway],
  },
  service: {
    alone: say.voltsAtTheBattery,
  },
});
