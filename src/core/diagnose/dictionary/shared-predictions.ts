import type { Meter } from "../../instrument";
import { Names, Readings, SHOWN } from "../../quantity";
import type { Test } from "../../simulate";
import type { Prediction } from "../reading/prediction";
import { isNumeric } from "../reading/scale";

/** Predictions are compared with so many others of the same test, the sound machine's first. */
const COMPARED = 8;
/**
 * Readings that differ by less than this part of the meter's own error are one reading: nothing that follows could
 * tell them apart.
 */
const ALIKE = 0.01;
/** The same for what is no number. */
const EXACT = { relative: 0, absolute: 0 };

/**
 * What every hypothesis predicts for one test, sample after sample: those of hypothesis `h` stand from `starts[h]` to
 * before `starts[h + 1]`; none, or the first one absent, where it predicts nothing.
 */
export interface PackedPredictions {
  readonly readings: Readings;
  readonly starts: Int32Array;
}

/**
 * Most faults change nothing in most tests: what is predicted alike is kept once, and all that follows from it is
 * worked out once. Says for each hypothesis which one's prediction stands for its own.
 */
export function sharedRows(test: Test, { readings, starts }: PackedPredictions, meter: Meter): Int32Array {
  const n = starts.length - 1;
  const error = accuracyIn(test, meter);
  const rows = new Int32Array(n);
  const distinct: number[] = [];
  for (let h = 0; h < n; h++) {
    // What the first sample shows tells most of them apart: this runs for every hypothesis in every test.
    const first = firstOf(readings, starts, h);
    const within = ALIKE * (error.absolute + error.relative * Math.abs(first));
    let row = h;
    for (const d of distinct)
      if (!(Math.abs(firstOf(readings, starts, d) - first) > within) && isAlike(readings, starts, d, h, error)) {
        row = d;
        break;
      }
    if (row === h && distinct.length < COMPARED) distinct.push(h);
    rows[h] = row;
  }
  return rows;
}

/** The same of predictions that are objects already: what is alike becomes one object. */
export function shared(test: Test, predictions: readonly Prediction[], meter: Meter): readonly Prediction[] {
  const starts = new Int32Array(predictions.length + 1);
  predictions.forEach((p, h) => {
    starts[h + 1] = starts[h]! + p.length;
  });
  const readings = new Readings(starts[predictions.length]!, new Names());
  predictions.forEach((p, h) => p.forEach((shown, k) => readings.put(starts[h]! + k, shown)));
  return Array.from(sharedRows(test, { readings, starts }, meter), (row) => predictions[row]!);
}

/** The prediction of one hypothesis as objects. */
export function predictionIn({ readings, starts }: PackedPredictions, h: number): Prediction {
  return Array.from({ length: lengthOf(readings, starts, h) }, (_, k) => readings.at(starts[h]! + k) ?? null);
}

function lengthOf(readings: Readings, starts: Int32Array, h: number): number {
  const length = starts[h + 1]! - starts[h]!;
  return length > 0 && readings.kind[starts[h]!] === SHOWN.absent ? 0 : length;
}

const isValue = (kind: number) => kind === SHOWN.value || kind === SHOWN.within;

/** What the nominal unit shows, where that is a value; not a number elsewhere, which is never told apart by it. */
function firstOf({ kind, first }: Readings, starts: Int32Array, h: number): number {
  const at = starts[h]!;
  return at < starts[h + 1]! && isValue(kind[at]!) ? first[at]! : NaN;
}

type Accuracy = Meter["accuracy"]["dcv"];

/** What a meter is off by in a test; nothing where it shows no number. */
export function accuracyIn(test: Test, meter: Meter): Accuracy {
  return isNumeric(test.function) ? meter.accuracy[test.function] : EXACT;
}

function isAlike(readings: Readings, starts: Int32Array, x: number, y: number, error: Accuracy): boolean {
  const length = lengthOf(readings, starts, x);
  if (length !== lengthOf(readings, starts, y)) return false;
  for (let k = 0; k < length; k++)
    if (!isOneReading(readings, starts[x]! + k, readings, starts[y]! + k, error)) return false;
  return true;
}

/** Whether two readings are one to whoever reads them; both lists use the same names. */
export function isOneReading(left: Readings, i: number, right: Readings, j: number, error: Accuracy): boolean {
  const [a, b] = [left.kind[i]!, right.kind[j]!];
  if (isValue(a)) {
    if (!isValue(b)) return false;
    if (a === SHOWN.within || b === SHOWN.within) {
      const factor = b === SHOWN.within ? right.second[j]! : 1;
      if (Math.abs((a === SHOWN.within ? left.second[i]! : 1) - factor) > ALIKE * factor) return false;
    }
    return isNear(left.first[i]!, right.first[j]!, error);
  }
  if (a !== b) return false;
  if (a === SHOWN.label) return left.first[i] === right.first[j];
  return (
    a < SHOWN.jumping ||
    (isNear(left.first[i]!, right.first[j]!, error) && isNear(left.second[i]!, right.second[j]!, error))
  );
}

const isNear = (a: number, b: number, { absolute, relative }: Accuracy) =>
  Math.abs(a - b) <= ALIKE * (absolute + relative * Math.abs(b));
