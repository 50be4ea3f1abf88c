/**
 * The multimeter as a circuit element and as an instrument with limits. Figures are those of an ordinary
 * 6000-count bench or field meter ("from memory"); a job may carry the figures of the meter in hand.
 */

/** What the meter is set to. `lowz` is the low-impedance voltage function; `look` is no meter at all: an eye, an ear. */
export type MeterFunction = "dcv" | "acv" | "lowz" | "ohms" | "continuity" | "clamp" | "dcclamp" | "look";

/** Whether a function is a clamp around a wire: one spot, no leads. `clamp` is a transformer and sees alternating current only; `dcclamp` has a Hall sensor. */
export function isClamp(fn: MeterFunction): fn is "clamp" | "dcclamp" {
  return fn === "clamp" || fn === "dcclamp";
}

/** An instrument: input resistances in ohms, limits, and one standard deviation of its error. */
export interface Meter {
  readonly inputOhms: number;
  readonly lowInputOhms: number;
  /** Ohms above this show as overload. */
  readonly overloadOhms: number;
  /** Continuity sounds below this, ohms. */
  readonly beepOhms: number;
  /** The display averages over about this long, seconds; a quicker change is smoothed. */
  readonly averagingSeconds: number;
  /** For each function: relative error and absolute error (volts, ohms, amperes), one standard deviation. */
  readonly accuracy: Readonly<Record<"dcv" | "acv" | "lowz" | "ohms" | "clamp" | "dcclamp", { readonly relative: number; readonly absolute: number }>>;
}

export const ORDINARY_METER: Meter = {
  inputOhms: 1e7,
  lowInputOhms: 3e3,
  overloadOhms: 4e7,
  beepOhms: 30,
  averagingSeconds: 0.3,
  accuracy: {
    dcv: { relative: 0.01, absolute: 0.03 },
    acv: { relative: 0.015, absolute: 0.3 },
    lowz: { relative: 0.02, absolute: 0.5 },
    ohms: { relative: 0.015, absolute: 0.15 },
    clamp: { relative: 0.03, absolute: 0.03 },
    dcclamp: { relative: 0.03, absolute: 0.003 },
  },
};

/** The unit a function reads in; nothing for a look or for continuity. */
export function unitOf(fn: MeterFunction): "V" | "ohm" | "A" | "" {
  if (fn === "dcv" || fn === "acv" || fn === "lowz") return "V";
  if (fn === "ohms") return "ohm";
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
