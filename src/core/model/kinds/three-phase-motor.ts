import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, type Stamp } from "../kind";
import { stampInsulation } from "./load";
import { say } from "#words/core/model/kinds/three-phase-motor";

const RESTS = 0;
const TURNS = 1;
/** Power factor of a loaded motor, and times its running current that it draws at rest; from memory. */
const POWER_FACTOR = 0.8;
const AT_REST = 6;
/** Of its volts, what it needs between every two leads to start; from memory. */
const STARTS_AT = 0.6;
const LEADS = ["u", "v", "w"] as const;
/** The elements between two leads, each with the lead that has no part in it. */
const OPPOSITE = ["w", "u", "v"] as const;

/**
 * A three-phase motor by its three leads, its star inside: between any two leads an ohmmeter sees two windings in
 * series. On two lines only it hums, stands, and burns.
 */
export const threePhaseMotor = definePart({
  kind: "three-phase motor",
  fields: () =>
    z.object({
      /** Between two leads, rms. */
      volts: number({ above: 0, max: 690 }),
      /** In each lead while it runs. */
      amps: number({ above: 0, max: 200 }),
      /** Between two leads, dead. */
      ohms: number({ above: 0, max: 1e4 }),
    }),
  electrical: {
    terminals: () => ["u", "v", "w", "case"],
    load: true,
    galvanic: () => [["u", "v", "w"]],
    elements: () => [
      ["u", "v"],
      ["v", "w"],
      ["w", "u"],
      ["w", "case"],
    ],
    parameters: (f) => [
      { name: "ohms between leads", nominal: f.ohms, tolerance: 0.1 },
      { name: "run amps", nominal: f.amps, tolerance: 0.15 },
    ],
    start: () => RESTS,
    stamp({ fields, mode, severity, values }, stamp, state) {
      const rests = mode === "locked" || state === RESTS;
      stampWindings(stamp, fields.volts, mode, values, rests ? AT_REST : 1);
      stampInsulation(stamp, 3, mode === "to-case" ? severity : null);
    },
    stampAtStart: ({ fields, mode, values }, stamp) => stampWindings(stamp, fields.volts, mode, values, AT_REST),
    dead({ fields, mode, severity, values }, stamp) {
      stampWindings(stamp, fields.volts, mode, values, 1);
      stampInsulation(stamp, 3, mode === "to-case" ? severity : null);
    },
    next({ fields, mode }, view, state) {
      const canTurn = mode === null || mode === "to-case";
      const least = Math.min(view.ac("u", "v"), view.ac("v", "w"), view.ac("w", "u"));
      const wanted = canTurn && least > STARTS_AT * fields.volts ? TURNS : RESTS;
      return wanted === state ? null : { state: wanted, delay: 0.3 };
    },
  },
  failures: {
    modes: () => [
      ...LEADS.map((lead) => ({
        id: `open-${lead}`,
        words: say.windingOpen(lead.toUpperCase()),
        odds: 0.6,
        source: "from memory" as const,
      })),
      { id: "locked", words: say.seized, odds: 1.2, source: "from memory" },
      { id: "to-case", words: say.leaksToItsCase, odds: 0.5, source: "from memory", severity: [2e3, 5e4] },
    ],
    signs: () => [
      {
        id: "smell",
        words: say.smellOfBurntVarnish,
        given: { "open-u": 0.5, "open-v": 0.5, "open-w": 0.5, locked: 0.4, "to-case": 0.2 },
        otherwise: 0.02,
      },
    ],
    jammedLike: "locked",
    unitSigns: { warm: 0.3 },
  },
  observed: {
    noticed: say.listenFromASafePlace,
    byHand: (mode) => mode !== "locked",
    observable: () => ({ what: "motor", labels: ["turns", "still", "hums"] }),
    look({ fields }, view, state) {
      if (state === TURNS) return "turns";
      const most = Math.max(view.ac("u", "v"), view.ac("v", "w"), view.ac("w", "u"));
      return most > 0.5 * fields.volts ? "hums" : "still";
    },
  },
  safety: {
    traits: ["moves", "starts-by-itself"],
    cautions: [say.startsByItself],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadThreeReadingsAlike,
  },
});

/**
 * Three windings in a star, as they are between their leads: a star of admittance Y a winding is a triangle of Y/3;
 * with one winding open only the path through the other two is left, Y/2.
 */
function stampWindings(
  stamp: Stamp,
  volts: number,
  mode: string | null,
  values: readonly number[],
  times: number,
): void {
  const dead = 2 / values[0]!;
  const running = (values[1]! * times) / (volts / Math.sqrt(3));
  const lost = LEADS.find((lead) => mode === `open-${lead}`);
  for (const [element, opposite] of OPPOSITE.entries()) {
    let share = 1 / 3;
    if (lost !== undefined) share = opposite === lost ? 1 / 2 : 0;
    if (share === 0) {
      stamp.conduct(element, OPEN);
      continue;
    }
    stamp.dc(element, dead * share);
    const siemens = running * share;
    stamp.ac(element, siemens * POWER_FACTOR, -siemens * Math.sqrt(1 - POWER_FACTOR ** 2));
  }
}
