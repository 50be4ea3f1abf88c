/** Copper at 20 °C, ohm mm² per metre, and its rise per kelvin (IEC 60028). */
export const COPPER = 0.017241;
const COPPER_PER_KELVIN = 0.00393;

/**
 * Ohms of a copper wire: area in square millimetres, length in metres there (one way), temperature in degrees
 * Celsius.
 */
export function copperOhms(area: number, metres: number, celsius = 20): number {
  return (COPPER * (1 + COPPER_PER_KELVIN * (celsius - 20)) * metres) / area;
}

/** Amperes per square millimetre a short internal lead carries at a steady load; common practice, no source. */
export const INTERNAL_DENSITY = 8;

/** Amperes that a short lead inside a machine carries at a steady load, in a cool place; area in square millimetres. */
export const internalAmps = (area: number): number => INTERNAL_DENSITY * area;
