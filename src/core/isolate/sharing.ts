import type { Prediction } from "./prediction";

/** Predictions are compared with so many others of the same test, the sound machine's first. */
const COMPARED = 6;
/** Readings that differ by less than this share are one reading: far below what any meter resolves. */
const ALIKE = 1e-7;

/** Most faults change nothing in most tests: what is predicted alike is kept once, and all that follows from it is worked out once. */
export function shared(predictions: readonly Prediction[]): readonly Prediction[] {
  const distinct: Prediction[] = [];
  return predictions.map((p) => {
    const twin = distinct.find((d) => isAlike(d, p));
    if (twin) return twin;
    if (distinct.length < COMPARED) distinct.push(p);
    return p;
  });
}

function isAlike(a: Prediction, b: Prediction): boolean {
  if (a.length !== b.length) return false;
  for (let k = 0; k < a.length; k++) {
    const [x, y] = [a[k]!, b[k]!];
    if (x === y) continue;
    if (x === null || y === null || x.kind !== y.kind) return false;
    if (x.kind === "value" && y.kind === "value" && !near(x.value, y.value)) return false;
    if (x.kind === "jumping" && y.kind === "jumping" && (x.manner !== y.manner || !near(x.low, y.low) || !near(x.high, y.high))) return false;
    if (x.kind === "label" && y.kind === "label" && x.label !== y.label) return false;
    if (x.kind === "beep" && y.kind === "beep" && x.beeps !== y.beeps) return false;
  }
  return true;
}

const near = (a: number, b: number) => Math.abs(a - b) <= ALIKE * Math.max(1e-3, Math.abs(a), Math.abs(b));
