import type { Meter } from "../../instrument";
import type { Test } from "../../simulate";
import { makeKernel, massBelow, SLIP } from "../reading/likelihood";
import type { Prediction } from "../reading/prediction";
import { fromScale, isNumeric, scaleOf } from "../reading/scale";

/** One thing a test can show, as a technician tells results apart. */
export type Outcome =
  | { readonly kind: "value"; readonly low: number; readonly high: number; readonly centre: number | null }
  | { readonly kind: "overload" }
  | { readonly kind: "jumping" }
  | { readonly kind: "beep"; readonly beeps: boolean }
  | { readonly kind: "label"; readonly label: string };

/** The outcomes of a test, and for every hypothesis how likely each is (rows of `outcomes.length`, adding to one). */
export interface OutcomeTable {
  readonly outcomes: readonly Outcome[];
  readonly chances: Float32Array;
  /** For every hypothesis the entropy of its row, bits. */
  readonly entropy: Float64Array;
}

/** Two sharp predictions closer than this many standard deviations are one outcome. */
const APART = 8;
/** A prediction with a wider spread than this is no landmark: it fills the gaps between the sharp ones. */
const SHARP = 8;
const MOST_VALUES = 7;

/** Works out the outcomes of a test from what every hypothesis predicts. */
export function outcomeTable(test: Test, predictions: readonly Prediction[], meter: Meter): OutcomeTable {
  return isNumeric(test.function) ? numericTable(test, predictions, meter) : labelTable(predictions);
}

function numericTable(test: Test, predictions: readonly Prediction[], meter: Meter): OutcomeTable {
  const scale = scaleOf(meter, test.function as "dcv");
  // Hypotheses that predict the same share one prediction, and with it all that follows.
  const distinct: Prediction[] = [];
  const rowOf = new Map<Prediction, number>();
  const rows = new Int32Array(predictions.length);
  for (let h = 0; h < rows.length; h++) {
    const p = predictions[h]!;
    let row = rowOf.get(p);
    if (row === undefined) {
      rowOf.set(p, (row = distinct.length));
      distinct.push(p);
    }
    rows[h] = row;
  }
  const kernels = distinct.map((p) => (p.length === 0 ? null : makeKernel(p, scale)));

  const landmarks: number[] = [];
  for (const kernel of kernels)
    if (kernel)
      for (let i = 0; i < (kernel.isOne ? 1 : kernel.centres.length); i++)
        if (kernel.widths[i]! <= SHARP) landmarks.push(kernel.centres[i]!);
  const clusters = clustered(landmarks);

  const edges: { low: number; high: number; centre: number | null }[] = [];
  let from = -Infinity;
  clusters.forEach(([low, high]) => {
    edges.push({ low: from, high: low - APART / 2, centre: null });
    edges.push({ low: low - APART / 2, high: high + APART / 2, centre: (low + high) / 2 });
    from = high + APART / 2;
  });
  edges.push({ low: from, high: Infinity, centre: null });

  // Per kernel: the mass in each stretch of values, then overload and jumping. Stretches share their borders.
  const wide = edges.length + 2;
  const masses = new Float64Array(kernels.length * wide);
  kernels.forEach((kernel, k) => {
    if (kernel === null) return;
    let below = 0;
    edges.forEach((edge, e) => {
      const upTo = massBelow(edge.high, kernel);
      masses[k * wide + e] = kernel.value * (upTo - below);
      below = upTo;
    });
    masses[k * wide + edges.length] = kernel.overload;
    masses[k * wide + edges.length + 1] = kernel.jumping;
  });
  // Outcomes nobody predicts are left out; what they would mean is "something else".
  const kept: number[] = [];
  for (let o = 0; o < wide; o++)
    for (let k = 0; k < kernels.length; k++)
      if (masses[k * wide + o]! > 1e-3) {
        kept.push(o);
        break;
      }
  const outcomes = kept.map((o): Outcome => {
    const edge = edges[o];
    if (!edge) return { kind: o === edges.length ? "overload" : "jumping" };
    return {
      kind: "value",
      low: fromScaleOpen(scale, edge.low),
      high: fromScaleOpen(scale, edge.high),
      centre: edge.centre === null ? null : fromScale(scale, edge.centre),
    };
  });
  return table(outcomes, rows, kernels.length, (k, o) => (kernels[k] === null ? null : masses[k * wide + kept[o]!]!));
}

/** Bounds on the scale back to readings; sinh grows beyond any meter, so the far ends stay open. */
function fromScaleOpen(scale: ReturnType<typeof scaleOf>, y: number): number {
  return Number.isFinite(y) ? fromScale(scale, y) : y;
}

function clustered(values: number[]): [number, number][] {
  const sorted = Float64Array.from(values).sort();
  const clusters: [number, number][] = [];
  for (const v of sorted) {
    const last = clusters[clusters.length - 1];
    if (last && v - last[1] <= APART) last[1] = v;
    else clusters.push([v, v]);
  }
  while (clusters.length > MOST_VALUES) {
    let closest = 1;
    for (let i = 2; i < clusters.length; i++)
      if (clusters[i]![0] - clusters[i - 1]![1] < clusters[closest]![0] - clusters[closest - 1]![1]) closest = i;
    clusters[closest - 1]![1] = clusters[closest]![1];
    clusters.splice(closest, 1);
  }
  return clusters;
}

function labelTable(predictions: readonly Prediction[]): OutcomeTable {
  const names = new Map<string, Outcome>();
  const nameOf = (shown: Prediction[number]): string => {
    if (shown === null) return "";
    if (shown.kind === "label") return shown.label;
    return shown.kind === "beep" ? String(shown.beeps) : "";
  };
  for (const shown of predictions.flat()) {
    if (shown === null) continue;
    if (shown.kind === "label") names.set(shown.label, { kind: "label", label: shown.label });
    if (shown.kind === "beep") names.set(String(shown.beeps), { kind: "beep", beeps: shown.beeps });
  }
  const keys = [...names.keys()].sort();
  return table(
    keys.map((k) => names.get(k)!),
    Int32Array.from(predictions, (_, h) => h),
    predictions.length,
    (h, o) => {
      const p = predictions[h]!;
      return p.length === 0 ? null : p.filter((shown) => nameOf(shown) === keys[o]).length / p.length;
    },
  );
}

/**
 * Fills the chances: normalised, with the slip spread evenly; a hypothesis without prediction expects all alike.
 * `rows` says which of the
 * `distinct` predictions each hypothesis makes.
 */
function table(
  outcomes: readonly Outcome[],
  rows: Int32Array,
  distinct: number,
  chance: (row: number, o: number) => number | null,
): OutcomeTable {
  const n = outcomes.length;
  const own = new Float32Array(distinct * n);
  const ownEntropy = new Float64Array(distinct);
  const row = new Float64Array(n);
  for (let d = 0; d < distinct; d++) {
    let sum = 0;
    let silent = false;
    for (let o = 0; o < n; o++) {
      const c = chance(d, o);
      if (c === null) {
        silent = true;
        break;
      }
      row[o] = c;
      sum += c;
    }
    for (let o = 0; o < n; o++) own[d * n + o] = silent || sum < 1e-9 ? 1 / n : (1 - SLIP) * (row[o]! / sum) + SLIP / n;
    for (let o = 0; o < n; o++) ownEntropy[d]! -= plogp(own[d * n + o]!);
  }
  const chances = new Float32Array(rows.length * n);
  for (let h = 0; h < rows.length; h++) for (let o = 0; o < n; o++) chances[h * n + o] = own[rows[h]! * n + o]!;
  return { outcomes, chances, entropy: Float64Array.from(rows, (d) => ownEntropy[d]!) };
}

/** Which outcome a reading of a value belongs to; -1 when none. */
export function outcomeOf(
  outcomes: readonly Outcome[],
  shown: { kind: string; value?: number; label?: string; beeps?: boolean },
): number {
  return outcomes.findIndex((o) => o.kind === shown.kind && isShown(o, shown));
}

/** p log2 p, nothing at nothing. */
export function plogp(p: number): number {
  return p > 0 ? p * Math.log2(p) : 0;
}

/** Whether what was shown falls into an outcome of its own kind. */
function isShown(o: Outcome, shown: { kind: string; value?: number; label?: string; beeps?: boolean }): boolean {
  if (o.kind === "value") return shown.value! >= o.low && shown.value! < o.high;
  if (o.kind === "label") return o.label === shown.label;
  if (o.kind === "beep") return o.beeps === shown.beeps;
  return true;
}
