import type { Meter, MeterFunction } from "../../instrument";

/**
 * The scale on which readings are compared: y = asinh(x rel / abs) / rel, so that one step of y is one standard
 * deviation of the meter everywhere, small readings (absolute error) and large ones (relative) alike.
 */
export interface Scale {
  readonly relative: number;
  readonly absolute: number;
  /** Width of y over everything the function can show; a slip is spread over it evenly. */
  readonly width: number;
}

/** Largest reading of a function, in `unitOf` it. */
const LARGEST = {
  dcv: 600,
  acv: 600,
  lowz: 600,
  ohms: 4e7,
  clamp: 100,
  dcclamp: 400,
  inrush: 400,
  hertz: 1e4,
  capacitance: 1e-2,
  insulation: 4e9,
} as const;

export type NumericFunction = keyof typeof LARGEST;

export function isNumeric(fn: MeterFunction): fn is NumericFunction {
  return fn in LARGEST;
}

export function scaleOf(meter: Meter, fn: NumericFunction): Scale {
  const { relative, absolute } = meter.accuracy[fn];
  const oneSided = Math.asinh((LARGEST[fn] * relative) / absolute) / relative;
  return { relative, absolute, width: fn === "dcv" ? 2 * oneSided : oneSided };
}

export function toScale(scale: Scale, value: number): number {
  return Math.asinh((value * scale.relative) / scale.absolute) / scale.relative;
}

export function fromScale(scale: Scale, y: number): number {
  return (Math.sinh(y * scale.relative) * scale.absolute) / scale.relative;
}
