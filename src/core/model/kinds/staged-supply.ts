import { z } from "zod";
import { number } from "../scalar";
import {
  CHIPS_OHMS,
  definePart,
  type FailureMode,
  type Instance,
  JUNCTION_OHMS,
  OPEN,
  type Stamp,
  VAGUE_OHMS,
} from "../kind";
import { say } from "#words/core/model/kinds/staged-supply";

const OFF = 0;
const ON = 1;
const OVERLOADED = 2;
/** How far the output runs up before the supply trips when it no longer hears its feedback, from memory. */
const OVERSHOOT = 1.35;
/** What a dried-out bulk capacitor leaves of the mean bulk volts under load, and the ripple on it; from memory. */
const [DRY_MEAN, DRY_RIPPLE] = [0.8, 0.2];
/** Ripple on the output, as a share of it, of a dried-out bulk capacitor and of a dried-out output filter. */
const [BULK_RIPPLE, FILTER_RIPPLE] = [0.06, 0.12];
const BULK = 0; // memory: bulk volts
const LOAD = 1; // memory: input conductance

const VARISTOR = 0;
const INRUSH = 1;
const INPUT = 2;
const ACROSS_BULK = 3;
/** The four diodes of the bridge. */
const [LOW_NEUTRAL, LOW_LINE, HIGH_LINE, HIGH_NEUTRAL] = [4, 5, 9, 10];
const OUTPUT = 6;
const Y_CAPACITOR = 7;
const CHIP = 8;
const START = 11;

const fields = () =>
  z.object({
    volts: number({ above: 0, max: 60 }),
    /** Line voltage it needs, volts rms. */
    startVolts: number({ above: 0, max: 300 }),
    /** Output current at which it trips, amperes. */
    limitAmps: number({ above: 0, max: 100 }),
    /** Y capacitor from output return to primary return, farads. */
    yFarads: number({ min: 0, max: 1e-7 }),
    /** The resistor in the line that limits the inrush. */
    inrushOhms: number({ above: 0, max: 100 }),
    /** The resistor from the bulk capacitor that wakes the control chip. */
    startOhms: number({ min: 1e4, max: 1e7 }),
    /** What the control chip runs on, volts against the primary return. */
    chipVolts: number({ above: 0, max: 30 }),
  });
type Fields = z.output<ReturnType<typeof fields>>;

/** A stage and how it fails: each is a component of its own to whoever repairs boards. */
const stage = (id: string, name: string, words: string, odds: number, severity?: readonly [number, number]) =>
  ({
    id,
    words,
    odds,
    source: "from memory",
    component: name,
    ...(severity ? { severity } : {}),
  }) satisfies FailureMode;

/** Faults that short the line, the bulk capacitor or the output. */
const isShortedBehindInrush = (mode: string | null) => mode === "bridge-short" || mode === "switch-short";

/**
 * A switched-mode supply as one finds it on a board that is to be repaired, stage by stage: varistor, inrush resistor,
 * bridge, bulk capacitor, start resistor, control chip with its switch, feedback, output rectifier, output filter. The
 * points between its stages are terminals: `rectifier` behind the inrush resistor, `chip` where the control chip is
 * fed.
 */
export const stagedSupply = definePart({
  kind: "staged supply",
  fields,
  electrical: {
    terminals: () => ["line", "neutral", "rectifier", "bulk-plus", "bulk-minus", "chip", "out", "return"],
    galvanic: () => [
      ["line", "neutral", "rectifier", "bulk-plus", "bulk-minus", "chip"],
      ["out", "return"],
    ],
    ripples: true,
    loose: ["rectifier", "bulk-plus", "bulk-minus", "chip"],
    carries: () => ({ direct: ["bulk-plus", "bulk-minus", "chip"] }),
    energises: () => [["out", "isolated low voltage"]],
    elements: () => [
      ["line", "neutral"],
      ["line", "rectifier"],
      ["rectifier", "neutral"],
      ["bulk-plus", "bulk-minus"],
      ["bulk-minus", "neutral"],
      ["bulk-minus", "rectifier"],
      ["out", "return"],
      ["return", "bulk-minus"],
      ["chip", "bulk-minus"],
      ["rectifier", "bulk-plus"],
      ["neutral", "bulk-plus"],
      ["bulk-plus", "chip"],
    ],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.03 },
      { name: "output ohms", nominal: 0.15, tolerance: 0.5 },
      { name: "bleeder ohms", nominal: 6.8e5, tolerance: 0.05 },
      { name: "standby watts", nominal: 1, tolerance: 0.3 },
      { name: "idle output ohms", nominal: 2.2e4, tolerance: VAGUE_OHMS, vague: true },
      { name: "short ohms", nominal: 0.4, tolerance: 0.9, vague: true },
      { name: "inrush ohms", nominal: f.inrushOhms, tolerance: 0.15 },
      { name: "start ohms", nominal: f.startOhms, tolerance: 0.05 },
      { name: "chip volts", nominal: f.chipVolts, tolerance: 0.2 },
    ],
    memory: 2,
    start: () => OFF,
    stamp(instance, stamp, state, memory) {
      const { fields: f, mode, values, conditions } = instance;
      primary(instance, stamp, memory);
      const on = state === ON;
      if (mode === "rectifier-short") stamp.conduct(OUTPUT, 2);
      else stamp.conduct(OUTPUT, on ? 1 / outputOhms(instance) : 1 / values[4]!);
      stamp.emf(OUTPUT, on && mode !== "rectifier-short" ? values[0]! * (mode === "feedback-open" ? OVERSHOOT : 1) : 0);
      stamp.acEmf(OUTPUT, on ? values[0]! * rippleOf(mode) : 0);
      stamp.dc(Y_CAPACITOR, OPEN);
      stamp.ac(Y_CAPACITOR, OPEN, 2 * Math.PI * conditions.hertz * f.yFarads);
    },
    /** Every stage by itself is to be told: the shorts of each, the inrush resistor, the start resistor. */
    dead({ fields: f, mode, values, conditions }, stamp) {
      const short = 1 / values[5]!;
      if (mode === "varistor-short") stamp.conduct(VARISTOR, short);
      else stamp.between(VARISTOR, OPEN, 1 / 1e6);
      stamp.conduct(INRUSH, mode === "inrush-open" ? OPEN : 1 / values[6]!);
      stamp.between(INPUT, OPEN, 1 / 9e4);
      stamp.conduct(ACROSS_BULK, mode === "switch-short" ? short : 1 / values[2]!);
      for (const diode of [LOW_NEUTRAL, LOW_LINE, HIGH_NEUTRAL])
        stamp.between(diode, OPEN, mode === "bridge-open" ? OPEN : 1 / JUNCTION_OHMS);
      if (mode === "bridge-short") stamp.conduct(HIGH_LINE, short);
      else stamp.between(HIGH_LINE, OPEN, mode === "bridge-open" ? OPEN : 1 / JUNCTION_OHMS);
      if (mode === "rectifier-short") stamp.conduct(OUTPUT, short);
      else stamp.between(OUTPUT, OPEN, 1 / CHIPS_OHMS);
      stamp.dc(Y_CAPACITOR, OPEN);
      stamp.ac(Y_CAPACITOR, OPEN, 2 * Math.PI * conditions.hertz * f.yFarads);
      stamp.between(CHIP, OPEN, 1 / CHIPS_OHMS);
      stamp.conduct(START, mode === "start-open" ? OPEN : 1 / values[7]!);
    },
    follow({ fields: f, mode, values }, view, state, memory) {
      const line = view.ac("rectifier", "neutral");
      const isFed = mode !== "bridge-open" && !isShortedBehindInrush(mode);
      const rectified = isFed ? Math.max(0, line * Math.SQRT2 - 1.4) : 0;
      memory[BULK] = rectified * (mode === "bulk-dry" ? DRY_MEAN : 1);
      const delivered = state === ON ? Math.max(0, -view.current(OUTPUT)) * values[0]! : 0;
      // Draws what it delivers at 80 % efficiency (from memory); starved, it fades to nothing without a step.
      const half = f.startVolts / 2;
      memory[LOAD] = ((values[3]! + delivered / 0.8) * Math.min(1, memory[BULK] / half)) / Math.max(line, half) ** 2;
    },
    next({ fields: f, mode }, view, state) {
      const wanted = f.startVolts * (state === ON ? 1.2 : Math.SQRT2) - 1.4;
      const starved = view.dc("bulk-plus", "bulk-minus") < wanted * (mode === "bulk-dry" ? DRY_MEAN : 1);
      if (mode === "chip-dead" || mode === "start-open" || starved)
        return state === OFF ? null : { state: OFF, delay: 0.1 };
      if (state === ON && (mode === "feedback-open" || mode === "rectifier-short"))
        return { state: OVERLOADED, delay: 0.15 };
      if (state === ON && -view.current(OUTPUT) > f.limitAmps) return { state: OVERLOADED, delay: 0.02 };
      if (state === OVERLOADED) return { state: ON, delay: 1 };
      return state === OFF ? { state: ON, delay: 0.3 } : null;
    },
  },
  failures: {
    // Shares of what fails in such a supply; from memory.
    modes: () => [
      stage("varistor-short", say.varistor, say.varistorShorted, 0.5),
      stage("inrush-open", say.inrushResistor, say.inrushResistorOpen, 1),
      stage("bridge-short", say.bridge, say.aDiodeOfTheBridgeShorted, 0.6),
      stage("bridge-open", say.bridge, say.theBridgeOpen, 0.3),
      stage("bulk-dry", say.bulkCapacitor, say.theBulkCapacitorDriedOut, 1),
      stage("switch-short", say.switchingTransistor, say.theSwitchShorted, 0.8),
      stage("start-open", say.startResistor, say.theStartResistorOpen, 1),
      stage("chip-dead", say.controlChip, say.theControlChipDead, 1),
      stage("feedback-open", say.feedback, say.ticksFeedbackLost, 0.8),
      stage("rectifier-short", say.outputRectifier, say.ticksOutputRectifierShorted, 0.8),
      stage("filter-dry", say.outputFilter, say.sagsUnderLoad, 1.5, [4, 25]),
    ],
    signs: () => [
      { id: "bulged", words: say.bulgedCapacitor, given: { "filter-dry": 0.6, "bulk-dry": 0.6 }, otherwise: 0.02 },
      {
        id: "soot",
        words: say.sootOrABurstPart,
        given: { "varistor-short": 0.8, "switch-short": 0.6, "bridge-short": 0.3, "inrush-open": 0.4 },
        otherwise: 0.01,
      },
      {
        id: "ticks",
        words: say.ticksAboutOnceASecond,
        given: { "feedback-open": 0.7, "rectifier-short": 0.8 },
        otherwise: 0.03,
      },
      {
        id: "weak",
        words: say.worksWeaklyOrFlashes,
        given: { "filter-dry": 0.6, "bulk-dry": 0.6, "feedback-open": 0.3 },
        otherwise: 0.04,
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

/** The stages up to the transformer while the machine is not dead. */
function primary({ mode, values }: Instance<Fields>, stamp: Stamp, memory: Float64Array): void {
  stamp.conduct(VARISTOR, mode === "varistor-short" ? 2 : 1 / 1e6);
  stamp.conduct(INRUSH, mode === "inrush-open" ? OPEN : 1 / values[6]!);
  if (isShortedBehindInrush(mode)) stamp.conduct(INPUT, 1);
  else {
    stamp.dc(INPUT, 1 / 1e6);
    stamp.ac(INPUT, 1 / 1e6 + memory[LOAD]!);
  }
  const charged = memory[BULK]! > 1;
  stamp.dc(ACROSS_BULK, charged ? 1 / 20 : 1 / values[2]!);
  stamp.ac(ACROSS_BULK, charged ? 1 / 20 : 1 / values[2]!);
  stamp.emf(ACROSS_BULK, charged ? memory[BULK]! : 0);
  stamp.acEmf(ACROSS_BULK, charged && mode === "bulk-dry" ? memory[BULK]! * DRY_RIPPLE : 0);
  // The bridge ties the primary return to line and neutral in turn: on average half-way between them.
  for (const diode of [LOW_NEUTRAL, LOW_LINE]) stamp.conduct(diode, mode === "bridge-open" ? 1 / 4e6 : 1 / 1e5);
  for (const diode of [HIGH_LINE, HIGH_NEUTRAL]) stamp.conduct(diode, OPEN);
  const isChipFed = charged && mode !== "start-open";
  stamp.conduct(CHIP, isChipFed ? 1 / 1e3 : 1 / 2e5);
  stamp.emf(CHIP, isChipFed ? values[8]! : 0);
  // Its current is part of what feeds the chip.
  stamp.conduct(START, OPEN);
}

const outputOhms = ({ mode, severity, values }: Instance<Fields>) => {
  if (mode === "filter-dry") return severity;
  return mode === "bulk-dry" ? 10 * values[1]! : values[1]!;
};

function rippleOf(mode: string | null): number {
  if (mode === "bulk-dry") return BULK_RIPPLE;
  return mode === "filter-dry" ? FILTER_RIPPLE : 0;
}
