import type { Meter } from "../../instrument";
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
 * Most faults change nothing in most tests: what is predicted alike is kept once, and all that follows from it is
 * worked out once.
 */
export function shared(test: Test, predictions: readonly Prediction[], meter: Meter): readonly Prediction[] {
  const distinct: Prediction[] = [];
  const firsts: number[] = [];
  const error = isNumeric(test.function) ? meter.accuracy[test.function] : EXACT;
  return predictions.map((p) => {
    // What the first sample shows tells most of them apart: this runs for every hypothesis in every test.
    const first = firstOf(p);
    const within = ALIKE * (error.absolute + error.relative * Math.abs(first));
    for (let d = 0; d < distinct.length; d++)
      if (!(Math.abs(firsts[d]! - first) > within) && isAlike(distinct[d]!, p, error)) return distinct[d]!;
    if (distinct.length < COMPARED) {
      distinct.push(p);
      firsts.push(first);
    }
    return p;
  });
}

/** What the nominal unit shows, where that is a value; not a number elsewhere, which is never told apart by it. */
function firstOf(p: Prediction): number {
  const shown = p[0];
  return shown?.kind === "value" ? shown.value : NaN;
}

function isAlike(a: Prediction, b: Prediction, { relative, absolute }: Meter["accuracy"]["dcv"]): boolean {
  if (a.length !== b.length) return false;
  for (let k = 0; k < a.length; k++) {
    const x = a[k]!;
    const y = b[k]!;
    if (x === y) continue;
    if (x === null || y === null || x.kind !== y.kind) return false;
    if (
      x.kind === "value" &&
      y.kind === "value" &&
      Math.abs((x.factor ?? 1) - (y.factor ?? 1)) > ALIKE * (y.factor ?? 1)
    )
      return false;
    if (
      x.kind === "value" &&
      y.kind === "value" &&
      Math.abs(x.value - y.value) > ALIKE * (absolute + relative * Math.abs(y.value))
    )
      return false;
    if (
      x.kind === "jumping" &&
      y.kind === "jumping" &&
      (x.manner !== y.manner ||
        Math.max(Math.abs(x.low - y.low), Math.abs(x.high - y.high)) > ALIKE * (absolute + relative * Math.abs(x.low)))
    )
      return false;
    if (x.kind === "label" && y.kind === "label" && x.label !== y.label) return false;
    if (x.kind === "beep" && y.kind === "beep" && x.beeps !== y.beeps) return false;
  }
  return true;
}
