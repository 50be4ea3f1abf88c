import type { Meter } from "../../instrument";
import type { Manner, Reading } from "../../quantity";
import type { Test } from "../../simulate";
import { FLICKERS } from "../../model";
import type { Prediction } from "./prediction";
import { isNumeric, scaleOf, toScale, type Scale } from "./scale";

/**
 * Chance that a reading is a slip (wrong pin, wrong range, misread), whatever is true. The same for every hypothesis.
 */
export const SLIP = 0.02;
/** Of slips, the share that shows as overload and as a jumping display. */
const SLIP_OVERLOAD = 0.1;
const SLIP_JUMPING = 0.1;
/** A customer's words are wrong or incomplete more often than a meter. */
export const COMPLAINT_SLIP = 0.03;
/** A look has few outcomes; a slip picks any of them. */
const LABELS = 4;

/**
 * Samples that show values within this of each other, in meter errors, are in one regime: what sets them apart is
 * chance.
 */
const REGIME = 20;
/** Widest reach of a sample that stands alone, or nearly so. */
const LONELY = 12;
/** Share of the distance to its second neighbour that a sample's value stands for. */
const REACH = 0.8;
/** How much wider than what a few samples show a regime is taken to be. */
const UNSEEN = 1.25;

/** Values of a prediction on the scale, with the widths that stand for their spread. */
export interface Kernel {
  /** What each sample that shows a value shows. */
  readonly values: readonly number[];
  /**
   * What each of them stands for: the middle of its regime and how far it reaches, at least 1 (the meter). A fault of
   * degree has regimes: samples that still work lie close together, far from those that do not. Within a regime part
   * values and mains differ by chance, whatever the degree of the fault, so its members share one bell; one that stands
   * alone reaches for its neighbours (a nearest-neighbour width, after Loftsgaarden and Quesenberry, 1965).
   */
  readonly centres: readonly number[];
  readonly widths: readonly number[];
  /** Whether all of them are one regime: one bell then, and the first stands for all. */
  readonly isOne: boolean;
  /** Shares of the samples that show a value, an overload, a jumping display. */
  readonly value: number;
  readonly overload: number;
  readonly jumping: number;
  /** Where a jumping display moves between, on the scale. */
  readonly swings: readonly (readonly [number, number])[];
}

// A prediction belongs to one test and so to one scale; what follows from it is worked out once.
const KERNELS = new WeakMap<Prediction, Kernel>();

/**
 * The kernel of what a hypothesis predicts for one test, on the scale of that test; `weights` where samples do not
 * count alike.
 */
export function kernelOf(prediction: Prediction, scale: Scale, weights?: ArrayLike<number>): Kernel {
  if (weights) return makeKernel(prediction, scale, weights);
  let kernel = KERNELS.get(prediction);
  if (!kernel) KERNELS.set(prediction, (kernel = makeKernel(prediction, scale)));
  return kernel;
}

/** What the samples of a prediction show, on the scale. */
function shownOf(prediction: Prediction, scale: Scale, weights?: ArrayLike<number>) {
  const values: number[] = [];
  const weightOf: number[] = [];
  const factors: number[] = [];
  const swings: [number, number][] = [];
  let overload = 0;
  for (let k = 0; k < prediction.length; k++) {
    const shown = prediction[k]!;
    if (shown === null) continue;
    if (shown.kind === "value") {
      values.push(toScale(scale, shown.value));
      weightOf.push(weights?.[k] ?? 1);
      // What a prediction leaves open it stands for as a whole.
      factors.push(shown.factor ? toScale(scale, shown.value * shown.factor) - toScale(scale, shown.value) : 0);
    } else if (shown.kind === "overload") overload++;
    else if (shown.kind === "jumping") swings.push([toScale(scale, shown.low), toScale(scale, shown.high)]);
  }
  return { values, weightOf, factors, swings, overload };
}

/** The same, made anew and not kept: for what is asked once. */
export function makeKernel(prediction: Prediction, scale: Scale, weights?: ArrayLike<number>): Kernel {
  const { values, weightOf, factors, swings, overload } = shownOf(prediction, scale, weights);
  // Plain loops: this runs for every hypothesis in every test.
  const n = values.length;
  let [low, high] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const isOne = !weights && n > 0 && high - low <= REGIME && factors.every((f) => f === 0);
  const centres: number[] = [];
  const widths: number[] = [];
  for (let i = 0; i < n; i++) {
    const value = values[i]!;
    if (isOne && i > 0) {
      centres.push(centres[0]!);
      widths.push(widths[0]!);
      continue;
    }
    let [near, sum] = [0, 0];
    for (const other of values) {
      if (Math.abs(other - value) <= REGIME) {
        near++;
        sum += other;
      }
    }
    const middle = sum / near;
    let square = 0;
    if (near > 1) for (const other of values) if (Math.abs(other - value) <= REGIME) square += (other - middle) ** 2;
    const all = near > 1 ? Math.sqrt(square / (near - 1)) : 0;
    const { centre, spread } = weights ? regimeOf(values, weightOf, value, all) : { centre: middle, spread: all };
    centres.push(centre);
    const reach = Math.max(UNSEEN * spread, near < 3 ? Math.min(LONELY, reachOf(values, value, prediction.length)) : 0);
    widths.push(Math.max(factors[i]!, Math.sqrt(1 + reach * reach)));
  }
  const share = sharesOf(3, prediction.length);
  const mixed = [values.length, overload, swings.length].filter((c) => c > 0).length > 1;
  return {
    values,
    centres,
    widths,
    isOne,
    swings,
    value: values.length === 0 ? 0 : share(values.length, mixed),
    overload: share(overload, mixed),
    jumping: share(swings.length, mixed),
  };
}

/**
 * How far a sample reaches that has hardly any like it: most of the way to its second neighbour (to the only one,
 * of two).
 */
function reachOf(values: readonly number[], value: number, samples: number): number {
  if (values.length < 2) return samples > 1 ? LONELY : 0;
  const gaps = values.map((other) => Math.abs(other - value)).sort((x, y) => x - y);
  return REACH * gaps[Math.min(2, gaps.length - 1)]!;
}

/**
 * Where room or mains are known, a regime lies where the samples lie that agree with them; part values still spread
 * it, by half at least.
 */
function regimeOf(
  values: readonly number[],
  weights: readonly number[],
  value: number,
  all: number,
): { centre: number; spread: number } {
  let [sum, total] = [0, 0];
  values.forEach((v, i) => {
    if (Math.abs(v - value) <= REGIME) {
      sum += weights[i]! * v;
      total += weights[i]!;
    }
  });
  const centre = sum / total;
  let square = 0;
  values.forEach((v, i) => {
    if (Math.abs(v - value) <= REGIME) square += weights[i]! * (v - centre) ** 2;
  });
  return { centre, spread: Math.max(all / 2, Math.sqrt(square / total)) };
}

/**
 * Shares from a few samples. Where they agree they are taken at their word; where they differ, the machine is near
 * a border between regimes, and each of `kinds` keeps a little for the samples that were not drawn.
 */
function sharesOf(kinds: number, n: number): (count: number, mixed: boolean) => number {
  const PSEUDO = 0.25;
  return (count, mixed) => (mixed ? (count + PSEUDO) / (n + kinds * PSEUDO) : count / Math.max(1, n));
}

/**
 * Likelihood of what was shown, given what a hypothesis predicts for the test; a density in y for values, a
 * probability for overload, labels and jumping. "Something else" (an empty prediction) gets the slip's own
 * distribution with full weight, so it is constant over hypotheses and never wins against a good fit.
 */
export function likelihood(test: Test, shown: Reading, prediction: Prediction, meter: Meter, slip = SLIP): number {
  if (!isNumeric(test.function)) return labelLikelihood(shown, prediction, slip);
  const scale = scaleOf(meter, test.function);
  const real = 1 - SLIP_OVERLOAD - SLIP_JUMPING;
  let floor: number;
  if (shown.kind === "value") floor = real / scale.width;
  else if (shown.kind === "overload") floor = SLIP_OVERLOAD;
  else floor = SLIP_JUMPING;
  if (prediction.length === 0) return floor;
  const kernel = kernelOf(prediction, scale);
  const { manner } = shown.kind === "jumping" ? shown : { manner: null };
  let fit = 0;
  if (shown.kind === "overload") fit = kernel.overload;
  else if (shown.kind === "jumping")
    fit =
      kernel.jumping *
      (prediction.reduce((sum, p) => sum + (p?.kind === "jumping" ? mannerFit(p.manner, manner!) : 0), 0) /
        Math.max(1, kernel.swings.length));
  else if (shown.kind === "value") {
    const y = toScale(scale, shown.value);
    fit = kernel.value * density(y, kernel);
    // Someone may note one value of a display that swings.
    for (const [low, high] of kernel.swings)
      if (y >= low - 2 && y <= high + 2) fit += (0.3 / prediction.length) * (1 / (high - low + 4));
  }
  return (1 - slip) * fit + slip * floor;
}

/** How far readings that a sample predicts alike lie off it together: a normal distribution, on the scale. */
interface Offset {
  readonly function: string;
  readonly centre: number;
  mean: number;
  variance: number;
}

/**
 * The same for each sample of one hypothesis by itself, reading after reading. What differs between samples (how
 * bad a contact is, what the mains is at) is the same in every test on the unit, so a sample that fits one reading
 * must fit the others too: evidence is multiplied along samples and averaged at the end. A tenth of the weight goes
 * to what all samples show together, for the units that lie between them.
 *
 * A unit lies between the samples, and it lies off by the same amount in every reading that the sample predicts
 * alike (the same rail at three points, the same chips through three pairs of pins). That common offset is learned from
 * the first such reading (a one-dimensional Kalman filter), so that measuring one quantity from many points does not
 * count many times.
 */
export class SampleTrail {
  private readonly offsets: Offset[][];
  /** `weights`: how well each sample agrees with what is known of room and mains; without it all alike. */
  constructor(
    samples: number,
    private readonly meter: Meter,
    private readonly weights?: ArrayLike<number>,
  ) {
    this.offsets = Array.from({ length: samples }, () => []);
  }

  /**
   * Likelihood of the next reading for each sample, into `out`, given the readings before it. `learns` is false for
   * all but the last of the same test made again: they are of one moment's knowledge.
   */
  next(test: Test, shown: Reading, prediction: Prediction, slip: number, out: Float64Array, learns = true): void {
    const together = likelihood(test, shown, prediction, this.meter, slip);
    if (prediction.length === 0) return void out.fill(together);
    const scale = isNumeric(test.function) ? scaleOf(this.meter, test.function) : null;
    const kernel = scale ? kernelOf(prediction, scale, this.weights) : null;
    const y = scale && shown.kind === "value" ? toScale(scale, shown.value) : 0;
    let value = -1;
    for (let k = 0; k < out.length; k++) {
      const own = prediction[k] ?? null;
      if (own?.kind === "value") value++;
      let fit = 0;
      let learn: (() => void) | null = null;
      if (own !== null && scale && kernel) {
        if (own.kind === "value" && shown.kind === "value") {
          const centre = kernel.centres[value]!;
          const offset = this.offsetOf(k, test.function, centre, kernel.widths[value]!);
          fit = gauss(y, centre + offset.mean, Math.sqrt(1 + offset.variance));
          learn = () => {
            const gain = offset.variance / (1 + offset.variance);
            offset.mean += gain * (y - centre - offset.mean);
            offset.variance *= 1 - gain;
          };
        } else if (own.kind === "jumping" && shown.kind === "value") {
          const [low, high] = [toScale(scale, own.low), toScale(scale, own.high)];
          if (y >= low - 2 && y <= high + 2) fit = 0.3 / (high - low + 4);
        } else if (own.kind === "jumping" && shown.kind === "jumping") fit = mannerFit(own.manner, shown.manner);
        else if (own.kind === shown.kind) fit = 1;
      } else fit = agreement(own, shown);
      const [real, slipped] = [(1 - TOGETHER) * (1 - slip) * fit, (TOGETHER + (1 - TOGETHER) * slip) * together];
      // A reading that is rather a slip teaches nothing of the unit.
      if (learns && learn && real > slipped) learn();
      out[k] = real + slipped;
    }
  }

  private offsetOf(sample: number, fn: string, centre: number, width: number): Offset {
    const known = this.offsets[sample]!.find((o) => o.function === fn && Math.abs(o.centre - centre) < ALIKE);
    if (known) return known;
    const offset = { function: fn, centre, mean: 0, variance: width ** 2 - 1 };
    this.offsets[sample]!.push(offset);
    return offset;
  }
}

/** Predictions closer than this, in meter errors, are of the same quantity. */
const ALIKE = 2;
const TOGETHER = 0.1;

function gauss(y: number, centre: number, width: number): number {
  return Math.exp(-0.5 * ((y - centre) / width) ** 2) / (width * Math.sqrt(2 * Math.PI));
}

function labelLikelihood(shown: Reading, prediction: Prediction, slip: number): number {
  if (prediction.length === 0) return 1 / LABELS;
  const hits = prediction.reduce((sum, p) => sum + agreement(p, shown), 0);
  const first = prediction[0]!;
  const mixed = prediction.some((p) => p !== first && !isSame(p, first));
  return (1 - slip) * sharesOf(LABELS, prediction.length)(hits, mixed) + slip / LABELS;
}

/** Whether two samples show the same label, or both a beep, or both none, or both nothing at all. */
function isSame(a: Reading | null, b: Reading | null): boolean {
  if (a === null || b === null) return a === b;
  return a.kind === "label"
    ? b.kind === "label" && a.label === b.label
    : a.kind === "beep" && b.kind === "beep" && a.beeps === b.beeps;
}

/** A flickering thing may be reported as either of its states. */
function agreement(predicted: Reading | null, shown: Reading): number {
  if (predicted === null) return 0;
  if (predicted.kind === "beep" && shown.kind === "beep") return predicted.beeps === shown.beeps ? 1 : 0;
  if (predicted.kind !== "label" || shown.kind !== "label") return 0;
  if (predicted.label === shown.label) return predicted.label === FLICKERS ? 0.8 : 1;
  return predicted.label === FLICKERS ? 0.1 : 0;
}

/** People name the movement of a display loosely: pulsing is called jumping more often than fading; estimate E25. */
function mannerFit(predicted: Manner, seen: Manner): number {
  if (predicted === seen) return 1;
  return predicted === "fading" || seen === "fading" ? 0.15 : 0.6;
}

/** Kernel density at y. */
export function density(y: number, kernel: Kernel): number {
  if (kernel.centres.length === 0) return 0;
  if (kernel.isOne) return gauss(y, kernel.centres[0]!, kernel.widths[0]!);
  let sum = 0;
  kernel.centres.forEach((centre, i) => {
    sum += gauss(y, centre, kernel.widths[i]!);
  });
  return sum / kernel.centres.length;
}

/** Mass of the kernel below a place on the scale. */
export function massBelow(y: number, kernel: Kernel): number {
  const { centres, widths, isOne } = kernel;
  if (centres.length === 0) return 0;
  if (isOne) return normalCdf((y - centres[0]!) / widths[0]!);
  let sum = 0;
  for (let i = 0; i < centres.length; i++) sum += normalCdf((y - centres[i]!) / widths[i]!);
  return sum / centres.length;
}

/** Standard normal distribution function; Abramowitz and Stegun 7.1.26, error below 1.5e-7. */
export function normalCdf(z: number): number {
  if (z > 6) return 1;
  if (z < -6) return 0;
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
  return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}
