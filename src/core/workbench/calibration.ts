import { quantityText } from "../quantity";
import { formula, readList, Refused, type Given, type Sheet, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/calibration";

/** Errors of an indicator against a stimulus: offset and slope by least squares, and the largest error. */
export interface Calibration {
  readonly errors: readonly number[];
  readonly worst: number;
  /** Indicated = offset + slope × stimulus. */
  readonly offset: number;
  readonly slope: number;
  /** Largest distance from that line. */
  readonly bend: number;
  /** The zero and the gain that leave the smallest errors where only that one is set. */
  readonly zero: number;
  readonly gain: number;
  /** Largest error left once the zero, the span, or both were set as well as they can be. */
  readonly left: Readonly<Record<Adjustment, number>>;
}

/** What an indicator lets one set. */
export type Adjustment = "zero" | "span" | "both";

/** Throws `Refused` with fewer than two pairs, or with all stimuli alike. */
export function calibrate(pairs: readonly (readonly [stimulus: number, indicated: number])[]): Calibration {
  if (pairs.length < 2) throw new Refused(say.twoRowsAtLeastStimulus, "rows");
  const n = pairs.length;
  const [mx, my] = [pairs.reduce((s, p) => s + p[0], 0) / n, pairs.reduce((s, p) => s + p[1], 0) / n];
  const sxx = pairs.reduce((s, p) => s + (p[0] - mx) ** 2, 0);
  if (sxx === 0) throw new Refused(say.allStimuliAreAlikeNothing, "rows");
  const slope = pairs.reduce((s, p) => s + (p[0] - mx) * (p[1] - my), 0) / sxx;
  const offset = my - slope * mx;
  const errors = pairs.map(([x, y]) => y - x);
  const bend = Math.max(...pairs.map(([x, y]) => Math.abs(y - offset - slope * x)));
  const squares = pairs.reduce((s, p) => s + p[0] ** 2, 0);
  const gain = pairs.reduce((s, p) => s + p[0] * p[1], 0) / squares;
  return {
    errors,
    worst: errors.reduce((w, e) => (Math.abs(e) > Math.abs(w) ? e : w), 0),
    offset,
    slope,
    bend,
    zero: (Math.max(...errors) + Math.min(...errors)) / 2,
    gain,
    left: {
      zero: (Math.max(...errors) - Math.min(...errors)) / 2,
      span: Math.max(...pairs.map(([x, y]) => Math.abs(y / gain - x))),
      both: bend / Math.abs(slope),
    },
  };
}

/** Of an indicator's whole range, so much is taken as allowed where nobody said; estimate E58. */
const USUAL_ALLOWED = 0.001;

/**
 * The least that has to be set to bring every error within what is allowed: the zero alone, the span alone, or both.
 * Null where it is bent and nothing helps. Where nobody said what is allowed, what the bend leaves is.
 */
export function adjustmentFor(c: Calibration, range: number, allowed?: number): Adjustment | null {
  const enough = allowed ?? Math.max(2 * c.bend, USUAL_ALLOWED * range);
  return (["zero", "span", "both"] as const).find((a) => c.left[a] <= enough) ?? null;
}

function work(given: Given): Sheet {
  const rows = given
    .text("rows")
    .split("\n")
    .map((l) => l.trim())
    .filter((l) => l !== "")
    .map((line, i) => {
      const pair = readList(line, "plain", given.liked, "rows");
      if (pair.length !== 2) throw new Refused(say.rowStimulusThenWhatIs(i + 1, line.slice(0, 30)), "rows");
      return pair as unknown as readonly [number, number];
    });
  const c = calibrate(rows);
  const allowed = given.number("allowed");
  const show = (v: number) => quantityText(v, "plain");
  const worst = Math.abs(c.worst);
  const range = Math.max(...rows.map(([x]) => x)) - Math.min(...rows.map(([x]) => x));
  return {
    lines: [
      {
        label: say.largestError,
        text: show(c.worst),
        big: true,
        formula: formula(say.maxShownTrue, `${rows.length} rows`, show(c.worst)),
      },
      {
        label: say.lineThroughAll,
        text: `${show(c.offset)} + ${show(c.slope)} × true`,
        formula: say.shownShowShow2True(show(c.offset), show(c.slope)),
        source: say.leastSquares,
      },
      { label: say.bendAboutThatLine, text: show(c.bend) },
      ...(allowed === undefined && worst > 0
        ? [{ label: say.whatToSet, text: adjustmentWords(c, adjustmentFor(c, range), show) }]
        : []),
    ],
    ...(allowed === undefined
      ? {}
      : {
          verdict: verdictOf(worst, allowed, show, c, range),
        }),
    table: {
      head: ["True", "Shown", "Error"],
      rows: rows.map(([x, y], i) => ({
        cells: [show(x), show(y), show(c.errors[i]!)],
        ...(allowed === undefined
          ? {}
          : { mark: Math.abs(c.errors[i]!) <= allowed ? ("fits" as const) : ("misfit" as const) }),
      })),
    },
    curve: {
      x: given.text("unit") || "true",
      y: "error",
      lines: [{ name: "error", points: rows.map(([x], i): [number, number] => [x, c.errors[i]!]), dots: true }],
    },
    cautions: [],
    notes: [],
  };
}

/** Stimulus against indicated value, for gauges, thermostats and displays. */
export const calibrationTool: Tool = {
  id: "calibration",
  name: say.calibrationTable,
  group: "records",
  words: say.trueAgainstShownErrorVerdict,
  fields: [
    { key: "rows", label: say.trueShownOnePairA, lines: 5, hint: "0 0.4\n50 50.6\n100 101" },
    { key: "allowed", label: say.allowedError, quantity: "plain", min: 0 },
    { key: "unit", label: say.unit, hint: "°C, bar" },
  ],
  work,
};

function verdictOf(
  worst: number,
  allowed: number,
  show: (v: number) => string,
  c: Calibration,
  range: number,
): Verdict {
  if (worst <= allowed) return { kind: "good" as const, words: say.withinShowEverywhere(show(allowed)) };
  return { kind: "bad" as const, words: adjustmentWords(c, adjustmentFor(c, range, allowed), show) };
}

/** What to set, which way and by how much. */
function adjustmentWords(c: Calibration, adjustment: Adjustment | null, show: (v: number) => string): string {
  const span = (gain: number) => [quantityText(Math.abs(1 / gain - 1), "share"), gain < 1] as const;
  if (adjustment === "zero") return say.zeroIsOff(show(Math.abs(c.zero)), c.zero > 0);
  if (adjustment === "span") return say.spanIsOff(...span(c.gain));
  if (adjustment === null) return say.offAndBentNoAdjustment;
  return say.zeroAndSpanAreOff(show(Math.abs(c.offset)), c.offset > 0, ...span(c.slope));
}
