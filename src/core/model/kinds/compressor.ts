import { z } from "zod";
import { number } from "../scalar";
import { LEAK_PLACE, stampLeak } from "./load";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/compressor";

/** Times its running current that it draws while its rotor rests; from memory. */
const AT_REST = 6;

/** A single-phase compressor with its start device, seen from its two feed terminals. */
export const compressor = definePart({
  kind: "compressor",
  fields: z.object({
    volts: number({ above: 0, max: 480 }),
    runAmps: number({ above: 0, max: 100 }),
    /** Direct-current resistance of the windings as an ohmmeter sees them, ohms. */
    windingOhms: number({ above: 0, max: 1000 }),
    /** Minutes of rest before it may be started again. */
    restMinutes: number({ min: 0, max: 60 }),
  }),
  electrical: {
    terminals: () => ["line", "neutral", "case"],
    load: true,
    galvanic: () => [["line", "neutral"]],
    elements: () => [
      ["line", "neutral"],
      ["line", "case"],
      ["neutral", "case"],
    ],
    parameters: (f) => [
      { name: "winding ohms", nominal: f.windingOhms, tolerance: 0.1 },
      { name: "run amps", nominal: f.runAmps, tolerance: 0.15 },
      LEAK_PLACE,
    ],
    stamp({ fields, mode, severity, values }, stamp) {
      if (mode === "open") stamp.conduct(0, OPEN);
      else {
        stamp.dc(0, 1 / values[0]!);
        // Running: rated current at a power factor of 0.8 (from memory). Seized: six times as much, still mostly
        // inductive.
        const siemens = (values[1]! / fields.volts) * (mode === "locked" ? AT_REST : 1);
        stamp.ac(0, siemens * 0.8, -siemens * 0.6);
      }
      stampLeak(stamp, [1, 2], mode === "to-case" ? severity : null, values[2]!);
    },
    stampAtStart({ fields, mode, values }, stamp) {
      const siemens = (AT_REST * values[1]!) / fields.volts;
      if (mode !== "open") stamp.ac(0, siemens * 0.8, -siemens * 0.6);
    },
  },
  failures: {
    modes: () => [
      { id: "open", words: say.windingOrStartDeviceOpen, odds: 1.5, source: "from memory" },
      { id: "locked", words: say.seizedHumsAndDrawsStart, odds: 1, source: "from memory" },
      { id: "to-case", words: say.windingLeaksToTheCase, odds: 0.4, source: "from memory", severity: [2e3, 5e4] },
    ],
    signs: () => [
      { id: "hot", words: say.tooHotToTouchClicks, given: { locked: 0.6, "to-case": 0.2 }, otherwise: 0.05 },
    ],
    unitSigns: { warm: 0.35 },
    provokedBy: "starting warm",
  },
  observed: {
    noticed: say.listenAtTheShellA,
    observable: () => ({ what: "compressor", labels: ["runs", "silent", "hums"] }),
    look({ fields, mode }, view) {
      if (view.ac("line", "neutral") < 0.75 * fields.volts || mode === "open") return "silent";
      return mode === "locked" ? "hums" : "runs";
    },
  },
  safety: {
    traits: ["hot", "refrigerant", "flammable-refrigerant", "licensed"],
    cautions: [say.letACompressorRestBefore, say.sealedRefrigerantSystemLeaveIt],
  },
  service: {
    alone: say.deadLeadsOffOhmsOf,
    tool: "motor",
  },
});
