import type { Meter } from "../circuit/meter";
import type { Test } from "../simulate/test";
import type { Prediction } from "./prediction";
import { isNumeric } from "./scale";

/** Predictions are compared with so many others of the same test, the sound machine's first. */
const COMPARED = 8;
/** Readings that differ by less than this part of the meter's own error are one reading: nothing that follows could tell them apart. */
const ALIKE = 0.01;
/** The same for what is no number. */
const EXACT = { relative: 0, absolute: 0 };

/** Most faults change nothing in most tests: what is predicted alike is kept once, and all that follows from it is worked out once. */
export function shared(test: Test, predictions: readonly Prediction[], meter: Meter): readonly Prediction[] {
  const distinct: Prediction[] = [];
  const error = isNumeric(test.function) ? meter.accuracy[test.function] : EXACT;
  return predictions.map((p) => {
    const twin = distinct.find((d) => isAlike(d, p, error));
    if (twin) return twin;
    if (distinct.length < COMPARED) distinct.push(p);
    return p;
  });
}

function isAlike(a: Prediction, b: Prediction, { relative, absolute }: Meter["accuracy"]["dcv"]): boolean {
  if (a.length !== b.length) return false;
  for (let k = 0; k < a.length; k++) {
    const [x, y] = [a[k]!, b[k]!];
    if (x === y) continue;
    if (x === null || y === null || x.kind !== y.kind) return false;
    if (x.kind === "value" && y.kind === "value" && Math.abs(x.value - y.value) > ALIKE * (absolute + relative * Math.abs(x.value))) return false;
    if (x.kind === "jumping" && y.kind === "jumping" && (x.manner !== y.manner || Math.max(Math.abs(x.low - y.low), Math.abs(x.high - y.high)) > ALIKE * (absolute + relative * Math.abs(x.low)))) return false;
    if (x.kind === "label" && y.kind === "label" && x.label !== y.label) return false;
    if (x.kind === "beep" && y.kind === "beep" && x.beeps !== y.beeps) return false;
  }
  return true;
}
