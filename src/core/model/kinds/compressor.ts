import { z } from "zod";
import { number } from "../scalar";
import { LEAK_PLACE, stampLeak } from "./load";
import { definePart, OPEN, type Stamp } from "../kind";
import { say } from "#words/core/model/kinds/compressor";

/** Times its running current that it draws while its rotor rests; from memory. */
const AT_REST = 6;

const RESTS = 0;
const RUNS = 1;
/** Of its rated voltage: what starts it at its start winding, and below what it stalls; from memory. */
const STARTS_AT = 0.4;
const STALLS_AT = 0.5;

/**
 * A single-phase compressor, seen from its two feed terminals with its start device inside; or, where `startOhms` is
 * given, with its start winding brought out, which something outside has to feed before the rotor turns.
 */
export const compressor = definePart({
  kind: "compressor",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 480 }),
      runAmps: number({ above: 0, max: 100 }),
      /** Direct-current resistance of the windings as an ohmmeter sees them, ohms. */
      windingOhms: number({ above: 0, max: 1000 }),
      /** Direct-current resistance of the start winding, ohms, where its end is brought out. */
      startOhms: number({ above: 0, max: 1000 }).optional(),
      /** Minutes of rest before it may be started again. */
      restMinutes: number({ min: 0, max: 60 }),
    }),
  electrical: {
    terminals: (f) => ["line", "neutral", "case", ...(f.startOhms === undefined ? [] : ["start"])],
    load: true,
    galvanic: (f) => [["line", "neutral", ...(f.startOhms === undefined ? [] : ["start"])]],
    elements: (f) => [
      ["line", "neutral"],
      ["line", "case"],
      ["neutral", "case"],
      ...(f.startOhms === undefined ? [] : [["start", "neutral"] as const]),
    ],
    parameters: (f) => [
      { name: "winding ohms", nominal: f.windingOhms, tolerance: 0.1 },
      { name: "run amps", nominal: f.runAmps, tolerance: 0.15 },
      LEAK_PLACE,
      ...(f.startOhms === undefined ? [] : [{ name: "start winding ohms", nominal: f.startOhms, tolerance: 0.1 }]),
    ],
    start: () => RESTS,
    stamp({ fields, mode, severity, values }, stamp, state) {
      const rests = fields.startOhms === undefined ? mode === "locked" : state === RESTS;
      if (mode === "open") stamp.conduct(0, OPEN);
      else {
        stamp.dc(0, 1 / values[0]!);
        // Running: rated current at a power factor of 0.8 (from memory). Seized: six times as much, still mostly
        // inductive.
        const siemens = (values[1]! / fields.volts) * (rests ? AT_REST : 1);
        stamp.ac(0, siemens * 0.8, -siemens * 0.6);
      }
      if (fields.startOhms !== undefined) stampStart(stamp, fields, mode, values, rests);
      stampLeak(stamp, [1, 2], mode === "to-case" ? severity : null, values[2]!);
    },
    stampAtStart({ fields, mode, values }, stamp) {
      const siemens = (AT_REST * values[1]!) / fields.volts;
      if (mode !== "open") stamp.ac(0, siemens * 0.8, -siemens * 0.6);
      if (fields.startOhms !== undefined) stampStart(stamp, fields, mode, values, true);
    },
    next({ fields, mode }, view, state) {
      if (fields.startOhms === undefined) return null;
      const canTurn = mode === null || mode === "to-case";
      const isFed = view.ac("line", "neutral") > (state === RUNS ? STALLS_AT : 0.75) * fields.volts;
      const isStarted = state === RUNS || view.ac("start", "neutral") > STARTS_AT * fields.volts;
      const wanted = canTurn && isFed && isStarted ? RUNS : RESTS;
      return wanted === state ? null : { state: wanted, delay: 0.4 };
    },
  },
  failures: {
    modes: (f) => [
      ...(f.startOhms === undefined
        ? []
        : [{ id: "start-open", words: say.startWindingOpen, odds: 0.6, source: "from memory" as const }]),
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
    look({ fields, mode }, view, state) {
      if (view.ac("line", "neutral") < 0.75 * fields.volts || mode === "open") return "silent";
      const stands = fields.startOhms === undefined ? mode === "locked" : state === RESTS;
      return stands ? "hums" : "runs";
    },
  },
  safety: {
    traits: ["hot", "refrigerant", "flammable-refrigerant", "licensed"],
    cautions: [say.letACompressorRestBefore, say.sealedRefrigerantSystemLeaveIt],
  },
  service: {
    goodOhms: (_, ohms) => ({ windingOhms: ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "motor",
  },
});

/**
 * The start winding: finer than the main one, so that at rest it takes as much less as its ohms are more; what turns
 * drives it too.
 */
function stampStart(
  stamp: Stamp,
  fields: { readonly volts: number; readonly windingOhms: number },
  mode: string | null,
  values: readonly number[],
  rests: boolean,
): void {
  if (mode === "start-open") return stamp.conduct(3, OPEN);
  stamp.dc(3, 1 / values[3]!);
  const siemens = ((values[1]! / fields.volts) * (rests ? AT_REST : 1) * fields.windingOhms) / values[3]!;
  stamp.ac(3, siemens * 0.8, -siemens * 0.6);
}
