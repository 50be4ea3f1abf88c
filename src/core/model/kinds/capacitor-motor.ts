import { z } from "zod";
import { number } from "../scalar";
import { stampInsulation } from "./load";
import { definePart, OPEN, type Stamp } from "../kind";
import { say } from "#words/core/model/kinds/capacitor-motor";

/** Times its running current that it draws while its rotor rests; from memory. */
const AT_REST = 5;

/**
 * Of its plate's amperes that the main winding takes by itself; the auxiliary one, through a capacitor that makes a
 * quarter turn of it, takes three quarters as much, and both add up to the plate's. Power factor 0.8; from memory.
 */
const MAIN_SHARE = 0.8;
const POWER_FACTOR = 0.8;
const REACTIVE = 0.6;
/** Of what the two windings turn the rotor with at a quarter turn and full currents: below it, it only hums; estimate E44. */
const STARTS = 0.25;

const WINDINGS = [0, 1] as const;
const OPEN_MODES = ["main-open", "start-open"] as const;

const stampWindingOf = (stamp: Stamp, element: number, siemens: number) =>
  stamp.ac(element, siemens * POWER_FACTOR, -siemens * REACTIVE);

/** Admittance of a winding, siemens: the auxiliary one by how much finer it is wound. */
const siemensOf = (values: readonly number[], volts: number, winding: 0 | 1) =>
  ((MAIN_SHARE * values[2]!) / volts) * (winding === 0 ? 1 : values[0]! / values[1]!);

/**
 * A single-phase motor with a main winding and an auxiliary one, one of which is fed straight and the other through a
 * run capacitor outside. The winding whose current is ahead gives the direction: with the capacitor before the
 * auxiliary one it turns, before the main one it turns back, both fed alike it hums.
 */
export const capacitorMotor = definePart({
  kind: "capacitor motor",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 480 }),
      amps: number({ above: 0, max: 100 }),
      mainOhms: number({ above: 0, max: 1000 }),
      startOhms: number({ above: 0, max: 1000 }),
    }),
  electrical: {
    terminals: () => ["common", "main", "start", "case"],
    load: true,
    galvanic: () => [["common", "main", "start"]],
    elements: () => [
      ["main", "common"],
      ["start", "common"],
      ["common", "case"],
    ],
    parameters: (f) => [
      { name: "main ohms", nominal: f.mainOhms, tolerance: 0.1 },
      { name: "start ohms", nominal: f.startOhms, tolerance: 0.1 },
      { name: "run amps", nominal: f.amps, tolerance: 0.15 },
    ],
    stamp({ fields, mode, severity, values }, stamp) {
      const times = mode === "seized" ? AT_REST : 1;
      for (const winding of WINDINGS) {
        if (mode === OPEN_MODES[winding]) stamp.conduct(winding, OPEN);
        else {
          stamp.dc(winding, 1 / values[winding]!);
          stampWindingOf(stamp, winding, times * siemensOf(values, fields.volts, winding));
        }
      }
      stampInsulation(stamp, 2, mode === "to-case" ? severity : null);
    },
    stampAtStart({ fields, mode, values }, stamp) {
      for (const winding of WINDINGS)
        if (mode !== OPEN_MODES[winding])
          stampWindingOf(stamp, winding, AT_REST * siemensOf(values, fields.volts, winding));
    },
  },
  failures: {
    modes: () => [
      { id: "main-open", words: say.mainWindingOpen, odds: 1, source: "from memory" },
      { id: "start-open", words: say.auxiliaryWindingOpen, odds: 1, source: "from memory" },
      { id: "seized", words: "seized", odds: 1, source: "from memory" },
      { id: "to-case", words: say.windingLeaksToTheCase, odds: 0.4, source: "from memory", severity: [2e3, 5e4] },
    ],
    jammedLike: "seized",
    signs: () => [
      {
        id: "smell",
        words: say.smellOfBurntVarnish,
        given: { "main-open": 0.3, "start-open": 0.2, seized: 0.35 },
        otherwise: 0.02,
      },
    ],
  },
  observed: {
    noticed: say.listenWatchTheShaftOr,
    byHand: (mode) => mode !== "seized",
    observable: () => ({ what: "motor", labels: ["turns", "turns backwards", "still", "hums"] }),
    look({ fields, mode, values }, view) {
      const fed = (winding: "main" | "start") => view.ac(winding, "common") > 0.75 * fields.volts;
      if (!fed("main") && !fed("start")) return "still";
      const [main, aux] = WINDINGS.map((winding) => fields.volts * siemensOf(values, fields.volts, winding));
      const torque = view.leads(1, 0) / (main! * aux!);
      if (mode === "seized" || Math.abs(torque) < STARTS) return "hums";
      return torque > 0 ? "turns" : "turns backwards";
    },
  },
  safety: {
    traits: ["moves", "starts-by-itself"],
    cautions: [say.dischargeTheRunCapacitorThrough, say.movingPartsSecureWhatIt],
  },
  service: {
    alone: say.deadLeadsOffThreeReadings,
    tool: "motor",
  },
});
