/**
 * The multimeter as a circuit element and as an instrument with limits. Figures are those of an ordinary
 * 6000-count bench or field meter ("from memory"); a job may carry the figures of the meter in hand.
 */

/**
 * What the meter is set to, or which instrument is taken. `lowz` is the low-impedance voltage function; `inrush` a
 * clamp that keeps what flows in the first tenth of a second; `insulation` ohms under a test voltage; `look` is no
 * meter at all: an eye, an ear.
 */
export const METER_FUNCTIONS = [
  "dcv",
  "acv",
  "lowz",
  "ohms",
  "continuity",
  "clamp",
  "dcclamp",
  "look",
  "inrush",
  "hertz",
  "capacitance",
  "insulation",
] as const;
export type MeterFunction = (typeof METER_FUNCTIONS)[number];

/**
 * Whether a function is a clamp around a wire: one spot, no leads. `clamp` is a transformer and sees alternating
 * current only; `dcclamp` has a Hall sensor.
 */
export function isClamp(fn: MeterFunction): fn is "clamp" | "dcclamp" | "inrush" {
  return fn === "clamp" || fn === "dcclamp" || fn === "inrush";
}

/** Whether a function sends a current of its own through the circuit, which has to be dead for it. */
export function needsDeadCircuit(fn: MeterFunction): fn is "ohms" | "continuity" | "capacitance" | "insulation" {
  return fn === "ohms" || fn === "continuity" || fn === "capacitance" || fn === "insulation";
}

/** An instrument: input resistances in ohms, limits, and one standard deviation of its error. */
export interface Meter {
  readonly inputOhms: number;
  readonly lowInputOhms: number;
  /** Ohms above this show as overload. */
  readonly overloadOhms: number;
  /** What an insulation tester shows at most, ohms. */
  readonly insulationOhms: number;
  /** Continuity sounds below this, ohms. */
  readonly beepOhms: number;
  /** The display averages over about this long, seconds; a quicker change is smoothed. */
  readonly averagingSeconds: number;
  /** For each function: relative error and absolute error (in `unitOf` the function), one standard deviation. */
  readonly accuracy: Readonly<
    Record<Exclude<MeterFunction, "continuity" | "look">, { readonly relative: number; readonly absolute: number }>
  >;
}

export const ORDINARY_METER: Meter = {
  inputOhms: 1e7,
  lowInputOhms: 3e3,
  overloadOhms: 4e7,
  insulationOhms: 4e9,
  beepOhms: 30,
  averagingSeconds: 0.3,
  accuracy: {
    dcv: { relative: 0.01, absolute: 0.03 },
    acv: { relative: 0.015, absolute: 0.3 },
    lowz: { relative: 0.02, absolute: 0.5 },
    ohms: { relative: 0.015, absolute: 0.15 },
    clamp: { relative: 0.03, absolute: 0.03 },
    dcclamp: { relative: 0.03, absolute: 0.003 },
    inrush: { relative: 0.05, absolute: 0.1 },
    hertz: { relative: 0.001, absolute: 0.05 },
    capacitance: { relative: 0.03, absolute: 5e-9 },
    insulation: { relative: 0.05, absolute: 1e3 },
  },
};

/** The unit a function reads in; nothing for a look or for continuity. */
export function unitOf(fn: MeterFunction): "V" | "ohm" | "A" | "Hz" | "F" | "" {
  if (fn === "dcv" || fn === "acv" || fn === "lowz") return "V";
  if (fn === "ohms" || fn === "insulation") return "ohm";
  if (fn === "hertz") return "Hz";
  if (fn === "capacitance") return "F";
  return isClamp(fn) ? "A" : "";
}

/** Share of an open-circuit direct voltage that stays when a meter of `inputOhms` loads a source of `sourceOhms`. */
export function loadedShare(sourceOhms: number, inputOhms: number): number {
  return inputOhms / (inputOhms + Math.max(0, sourceOhms));
}

/** The same for a phasor behind a complex source impedance; magnitude only, as the meter shows it. */
export function loadedShareAc(sourceRe: number, sourceIm: number, inputOhms: number): number {
  return inputOhms / Math.hypot(inputOhms + sourceRe, sourceIm);
}
