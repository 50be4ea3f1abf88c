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
}

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
  return {
    errors,
    worst: errors.reduce((w, e) => (Math.abs(e) > Math.abs(w) ? e : w), 0),
    offset,
    slope,
    bend: Math.max(...pairs.map(([x, y]) => Math.abs(y - offset - slope * x))),
  };
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
    ],
    ...(allowed === undefined
      ? {}
      : {
          verdict: verdictOf(worst, allowed, show, c),
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

function verdictOf(worst: number, allowed: number, show: (v: number) => string, c: Calibration): Verdict {
  if (worst <= allowed) return { kind: "good" as const, words: say.withinShowEverywhere(show(allowed)) };
  if (c.bend <= allowed)
    return {
      kind: "bad" as const,
      words: Math.abs(c.slope - 1) < 0.02 ? say.offByEverywhereAdjustIts(show(c.offset)) : say.offInProportionAdjustIts,
    };
  return { kind: "bad" as const, words: say.offAndBentNoAdjustment };
}
