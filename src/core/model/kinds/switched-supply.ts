import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, JUNCTION_OHMS, CHIPS_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/switched-supply";

const OFF = 0;
const ON = 1;
const OVERLOADED = 2;
/** How far the output runs up before the supply trips when it no longer hears its feedback, from memory. */
const OVERSHOOT = 1.35;
const BULK = 0; // memory: bulk volts
const LOAD = 1; // memory: input conductance

/**
 * A switched-mode supply as a block: rectifier and bulk capacitor on the line side, an isolated output, a
 * Y capacitor between the two. It starts when its bulk voltage is enough, trips and retries when overloaded.
 */
export const switchedSupply = definePart({
  kind: "switched supply",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      /** Line voltage it needs, volts rms. */
      startVolts: number({ above: 0, max: 300 }),
      /** Output current at which it trips, amperes. */
      limitAmps: number({ above: 0, max: 100 }),
      /** Y capacitor from output return to primary return, farads. */
      yFarads: number({ min: 0, max: 1e-7 }),
    }),
  electrical: {
    terminals: () => ["line", "neutral", "bulk-plus", "bulk-minus", "out", "return"],
    galvanic: () => [
      ["line", "neutral", "bulk-plus", "bulk-minus"],
      ["out", "return"],
    ],
    ripples: true,
    loose: ["bulk-plus", "bulk-minus"],
    carries: () => ({ direct: ["bulk-plus", "bulk-minus"] }),
    energises: () => [["out", "isolated low voltage"]],
    elements: () => [
      ["line", "neutral"],
      ["bulk-plus", "bulk-minus"],
      ["bulk-minus", "neutral"],
      ["out", "return"],
      ["return", "bulk-minus"],
      ["bulk-minus", "line"],
    ],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.03 },
      { name: "output ohms", nominal: 0.15, tolerance: 0.5 },
      { name: "bleeder ohms", nominal: 6.8e5, tolerance: 0.05 },
      { name: "standby watts", nominal: 1, tolerance: 0.3 },
      { name: "idle output ohms", nominal: 2.2e4, tolerance: VAGUE_OHMS, vague: true },
      { name: "short ohms", nominal: 1, tolerance: 0.95, vague: true },
    ],
    memory: 2,
    start: () => OFF,
    stamp({ fields, mode, severity, values, conditions }, stamp, state, memory) {
      const [, outputOhms, bleederOhms] = values as [number, number, number];
      if (mode === "input-short") stamp.conduct(0, 2);
      else {
        stamp.dc(0, 1 / 1e6);
        stamp.ac(0, 1 / 1e6 + memory[LOAD]!);
      }
      const charged = memory[BULK]! > 1;
      stamp.dc(1, charged ? 1 / 20 : 1 / bleederOhms);
      stamp.ac(1, 1 / bleederOhms);
      stamp.emf(1, charged ? memory[BULK]! : 0);
      // The bridge ties the primary return to line and neutral in turn: on average half-way between them, which is
      // what the Y capacitor hands on to the floating side as phantom volts.
      for (const diode of [2, 5]) stamp.conduct(diode, mode === "no-bulk" ? 1 / 4e6 : 1 / 1e5);
      const on = state === ON;
      if (mode === "rectifier-short") stamp.conduct(3, 2);
      else stamp.conduct(3, on ? 1 / (mode === "sagging" ? severity : outputOhms) : 1 / values[4]!);
      stamp.emf(3, on && mode !== "rectifier-short" ? values[0]! * shareOfOutput(mode) : 0);
      // A dried-out bulk capacitor lets the line's ripple through to the output.
      stamp.acEmf(3, on && mode === "ripple" ? values[0]! * 0.12 : 0);
      stamp.dc(4, OPEN);
      stamp.ac(4, OPEN, 2 * Math.PI * conditions.hertz * fields.yFarads);
    },
    /**
     * A line side is a charging capacitor behind a bridge, with or without a resistor of 100 kilohms to a megohm that
     * discharges the line; an output is a rectifier, chips and a divider. Only a short is to be told.
     */
    dead({ fields, mode, values, conditions }, stamp) {
      if (mode === "input-short") stamp.conduct(0, 1 / values[5]!);
      else stamp.between(0, OPEN, 1 / 9e4);
      stamp.conduct(1, 1 / values[2]!);
      for (const diode of [2, 5]) stamp.between(diode, OPEN, mode === "no-bulk" ? OPEN : 1 / JUNCTION_OHMS);
      if (mode === "rectifier-short") stamp.conduct(3, 1 / values[5]!);
      else stamp.between(3, OPEN, 1 / CHIPS_OHMS);
      stamp.dc(4, OPEN);
      stamp.ac(4, OPEN, 2 * Math.PI * conditions.hertz * fields.yFarads);
    },
    follow({ fields, mode, values }, view, state, memory) {
      const line = view.ac("line", "neutral");
      const rectified = mode === "no-bulk" || mode === "input-short" ? 0 : line * Math.SQRT2 - 1.4;
      memory[BULK] = Math.max(0, rectified);
      const delivered = state === ON ? Math.max(0, -view.current(3)) * values[0]! : 0;
      // Draws what it delivers at 80 % efficiency (from memory). Below half its start voltage it can no longer hold its
      // power and fades to nothing without a step, so that a starved supply has an operating point.
      const half = fields.startVolts / 2;
      memory[LOAD] = ((values[3]! + delivered / 0.8) * Math.min(1, memory[BULK] / half)) / Math.max(line, half) ** 2;
    },
    next({ fields, mode }, view, state) {
      const starved = view.dc("bulk-plus", "bulk-minus") < fields.startVolts * (state === ON ? 1.2 : Math.SQRT2) - 1.4;
      if (mode === "dead" || starved) return state === OFF ? null : { state: OFF, delay: 0.1 };
      if (state === ON && (mode === "feedback-open" || mode === "rectifier-short"))
        return { state: OVERLOADED, delay: 0.15 };
      if (state === ON && -view.current(3) > fields.limitAmps) return { state: OVERLOADED, delay: 0.02 };
      if (state === OVERLOADED) return { state: ON, delay: 1 };
      return state === OFF ? { state: ON, delay: 0.3 } : null;
    },
  },
  failures: {
    modes: () => [
      { id: "dead", words: say.doesNotStartSwitchOr, odds: 3, source: "from memory" },
      { id: "no-bulk", words: say.noBulkVoltageInrushResistor, odds: 1.5, source: "from memory" },
      {
        id: "input-short",
        words: say.shortedOnItsLineSide,
        odds: 1.5,
        source: "from memory",
      },
      {
        id: "sagging",
        words: say.sagsUnderLoadOutputFilter,
        odds: 2,
        source: "from memory",
        severity: [4, 25],
      },
      {
        id: "feedback-open",
        words: say.ticksFeedbackLostItsOutput,
        odds: 0.8,
        source: "from memory",
      },
      { id: "rectifier-short", words: say.ticksOutputRectifierShorted, odds: 0.8, source: "from memory" },
      { id: "ripple", words: say.givesRippleBulkCapacitorDried, odds: 1, source: "from memory" },
    ],
    signs: () => [
      { id: "bulged", words: say.bulgedCapacitor, given: { sagging: 0.6, ripple: 0.6, dead: 0.1 }, otherwise: 0.02 },
      {
        id: "soot",
        words: say.sootOrABurstPart,
        given: { "input-short": 0.7, "no-bulk": 0.3 },
        otherwise: 0.01,
      },
      {
        id: "ticks",
        words: say.ticksAboutOnceASecond,
        given: { "feedback-open": 0.7, "rectifier-short": 0.7 },
        otherwise: 0.03,
      },
    ],
    unitSigns: { warm: 0.3, storm: 0.35 },
  },
  observed: null,
  safety: {
    traits: ["stores-charge"],
    cautions: [say.theBulkCapacitorHoldsThe],
  },
  service: {
    alone: say.fedFromTheLineWith,
    tool: "supply",
    onBoard: () => "low-voltage supply",
    repairs: "capacitors",
  },
});

/** The share of its rated output a fault leaves, 1 when sound. */
function shareOfOutput(mode: string | null): number {
  if (mode === "feedback-open") return OVERSHOOT;
  if (mode === "ripple") return 0.92;
  return 1;
}
