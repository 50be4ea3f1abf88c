import type { Meter } from "../circuit/meter";
import type { Shown } from "../quantity/read";
import type { Test } from "../simulate/test";
import { FLICKERS } from "../simulate/observe";
import type { Prediction } from "./prediction";
import { isNumeric, scaleOf, toScale, type Scale } from "./scale";

/** Chance that a reading is a slip (wrong pin, wrong range, misread), whatever is true. The same for every hypothesis. */
export const SLIP = 0.02;
/** Of slips, the share that shows as overload and as a jumping display. */
const SLIP_OVERLOAD = 0.1;
const SLIP_JUMPING = 0.1;
/** A customer's words are wrong or incomplete more often than a meter. */
export const COMPLAINT_SLIP = 0.04;
/** A look has few outcomes; a slip picks any of them. */
const LABELS = 4;

/** Values of a prediction on the scale, with the bandwidth that stands for their spread. */
export interface Kernel {
  readonly centres: readonly number[];
  /** At least 1 (the meter); more when the specimens differ (Silverman's rule, 1986). */
  readonly bandwidth: number;
  /** Shares of the specimens that show a value, an overload, a jumping display. */
  readonly value: number;
  readonly overload: number;
  readonly jumping: number;
  /** Where a jumping display moves between, on the scale. */
  readonly swings: readonly (readonly [number, number])[];
}

export function kernelOf(prediction: Prediction, scale: Scale): Kernel {
  const centres: number[] = [];
  const swings: [number, number][] = [];
  let overload = 0;
  for (const shown of prediction) {
    if (shown.kind === "value") centres.push(toScale(scale, shown.value));
    else if (shown.kind === "overload") overload++;
    else if (shown.kind === "jumping") swings.push([toScale(scale, shown.low), toScale(scale, shown.high)]);
  }
  const n = Math.max(1, prediction.length);
  const mean = centres.reduce((a, b) => a + b, 0) / Math.max(1, centres.length);
  const spread = centres.length > 1 ? Math.sqrt(centres.reduce((a, b) => a + (b - mean) ** 2, 0) / (centres.length - 1)) : 0;
  const bandwidth = Math.hypot(1, 1.06 * spread * Math.max(1, centres.length) ** -0.2);
  return { centres, bandwidth, value: centres.length / n, overload: overload / n, jumping: swings.length / n, swings };
}

/**
 * Likelihood of what was shown, given what a hypothesis predicts for the test; a density in y for values, a
 * probability for overload, labels and jumping. "Something else" (an empty prediction) gets the slip's own
 * distribution with full weight, so it is constant over hypotheses and never wins against a good fit.
 */
export function likelihood(test: Test, shown: Shown, prediction: Prediction, meter: Meter, slip = SLIP): number {
  if (!isNumeric(test.function)) return labelLikelihood(shown, prediction, slip);
  const scale = scaleOf(meter, test.function);
  const real = 1 - SLIP_OVERLOAD - SLIP_JUMPING;
  const floor = shown.kind === "value" ? real / scale.width : shown.kind === "overload" ? SLIP_OVERLOAD : SLIP_JUMPING;
  if (prediction.length === 0) return floor;
  const kernel = kernelOf(prediction, scale);
  let fit = 0;
  if (shown.kind === "overload") fit = kernel.overload;
  else if (shown.kind === "jumping") fit = kernel.jumping;
  else if (shown.kind === "value") {
    const y = toScale(scale, shown.value);
    fit = kernel.value * density(y, kernel);
    // Someone may note one value of a display that swings.
    for (const [low, high] of kernel.swings) if (y >= low - 2 && y <= high + 2) fit += (0.3 / prediction.length) * (1 / (high - low + 4));
  }
  return (1 - slip) * fit + slip * floor;
}

function labelLikelihood(shown: Shown, prediction: Prediction, slip: number): number {
  if (prediction.length === 0) return 1 / LABELS;
  const hits = prediction.reduce((sum, p) => sum + agreement(p, shown), 0);
  return (1 - slip) * (hits / prediction.length) + slip / LABELS;
}

/** A flickering thing may be reported as either of its states. */
function agreement(predicted: Shown, shown: Shown): number {
  if (predicted.kind === "beep" && shown.kind === "beep") return predicted.beeps === shown.beeps ? 1 : 0;
  if (predicted.kind !== "label" || shown.kind !== "label") return 0;
  if (predicted.label === shown.label) return predicted.label === FLICKERS ? 0.8 : 1;
  return predicted.label === FLICKERS ? 0.1 : 0;
}

/** Kernel density at y. */
export function density(y: number, kernel: Kernel): number {
  if (kernel.centres.length === 0) return 0;
  const { bandwidth } = kernel;
  let sum = 0;
  for (const centre of kernel.centres) sum += Math.exp(-0.5 * ((y - centre) / bandwidth) ** 2);
  return sum / (kernel.centres.length * bandwidth * Math.sqrt(2 * Math.PI));
}

/** Mass of the kernel between two places on the scale. */
export function massBetween(low: number, high: number, kernel: Kernel): number {
  if (kernel.centres.length === 0) return 0;
  let sum = 0;
  for (const centre of kernel.centres) sum += normalCdf((high - centre) / kernel.bandwidth) - normalCdf((low - centre) / kernel.bandwidth);
  return sum / kernel.centres.length;
}

/** Standard normal distribution function; Abramowitz and Stegun 7.1.26, error below 1.5e-7. */
export function normalCdf(z: number): number {
  if (z > 6) return 1;
  if (z < -6) return 0;
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
  return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}
