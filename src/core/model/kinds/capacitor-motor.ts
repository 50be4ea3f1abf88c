import { z } from "zod";
import { number } from "../scalar";
import { stampInsulation } from "./load";
import { definePart, OPEN, type Stamp } from "../kind";
import { say } from "#words/core/model/kinds/capacitor-motor";

/** Times its running current that it draws while its rotor rests; from memory. */
const AT_REST = 5;

const stampMain = (stamp: Stamp, siemens: number) => stamp.ac(0, siemens * 0.8, -siemens * 0.6);
/** Mostly resistive: with the capacitor before it the phasor stays well away from resonance. */
const stampAuxiliary = (stamp: Stamp, siemens: number) => stamp.ac(1, siemens * 0.5, -siemens * 0.1);

/** A single-phase motor with a main winding and an auxiliary one, which is fed through a run capacitor outside. */
export const capacitorMotor = definePart({
  kind: "capacitor motor",
  fields: z.object({
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
      const siemens = (values[2]! / fields.volts) * (mode === "seized" ? AT_REST : 1);
      if (mode === "main-open") stamp.conduct(0, OPEN);
      else {
        stamp.dc(0, 1 / values[0]!);
        stampMain(stamp, siemens);
      }
      if (mode === "start-open") stamp.conduct(1, OPEN);
      else {
        stamp.dc(1, 1 / values[1]!);
        stampAuxiliary(stamp, siemens);
      }
      stampInsulation(stamp, 2, mode === "to-case" ? severity : null);
    },
    stampAtStart({ fields, mode, values }, stamp) {
      const siemens = (AT_REST * values[2]!) / fields.volts;
      if (mode !== "main-open") stampMain(stamp, siemens);
      if (mode !== "start-open") stampAuxiliary(stamp, siemens);
    },
  },
  failures: {
    modes: () => [
      { id: "main-open", words: say.mainWindingOpen, odds: 1, source: "from memory" },
      { id: "start-open", words: say.auxiliaryWindingOpen, odds: 1, source: "from memory" },
      { id: "seized", words: "seized", odds: 1, source: "from memory" },
      { id: "to-case", words: say.windingLeaksToTheCase, odds: 0.4, source: "from memory", severity: [2e3, 5e4] },
    ],
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
    observable: () => ({ what: "motor", labels: ["turns", "still", "hums"] }),
    look({ fields, mode }, view) {
      const main = view.ac("main", "common") > 0.75 * fields.volts && mode !== "main-open";
      if (!main) return "still";
      // Without a good share of current in the auxiliary winding there is no turning field.
      return mode === "seized" || view.acCurrent(1) < 0.15 * fields.amps ? "hums" : "turns";
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
