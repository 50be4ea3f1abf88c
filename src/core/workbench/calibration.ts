import { quantityText } from "../quantity";
import { formula, readList, Refused, type Given, type Sheet, type Tool, type Verdict } from "./tool";

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
  if (pairs.length < 2) throw new Refused("Two rows at least: stimulus, indicated.", "rows");
  const n = pairs.length;
  const [mx, my] = [pairs.reduce((s, p) => s + p[0], 0) / n, pairs.reduce((s, p) => s + p[1], 0) / n];
  const sxx = pairs.reduce((s, p) => s + (p[0] - mx) ** 2, 0);
  if (sxx === 0) throw new Refused("All stimuli are alike: nothing to compare.", "rows");
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
      if (pair.length !== 2)
        throw new Refused(`Row ${i + 1}, "${line.slice(0, 30)}": stimulus, then what is shown.`, "rows");
      return pair as unknown as readonly [number, number];
    });
  const c = calibrate(rows);
  const allowed = given.number("allowed");
  const show = (v: number) => quantityText(v, "plain");
  const worst = Math.abs(c.worst);
  return {
    lines: [
      {
        label: "Largest error",
        text: show(c.worst),
        big: true,
        formula: formula("max (shown - true)", `${rows.length} rows`, show(c.worst)),
      },
      {
        label: "Line through all",
        text: `${show(c.offset)} + ${show(c.slope)} × true`,
        formula: `shown = ${show(c.offset)} + ${show(c.slope)} × true`,
        source: "least squares",
      },
      { label: "Bend about that line", text: show(c.bend) },
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
  name: "Calibration table",
  group: "Settings and records",
  words: "True against shown: error, verdict, chart",
  fields: [
    { key: "rows", label: "True, shown: one pair a line", lines: 5, hint: "0 0.4\n50 50.6\n100 101" },
    { key: "allowed", label: "Allowed error", quantity: "plain", min: 0 },
    { key: "unit", label: "Unit", hint: "°C, bar" },
  ],
  work,
};

function verdictOf(worst: number, allowed: number, show: (v: number) => string, c: Calibration): Verdict {
  if (worst <= allowed) return { kind: "good" as const, words: `Within ${show(allowed)} everywhere.` };
  if (c.bend <= allowed)
    return {
      kind: "bad" as const,
      words:
        Math.abs(c.slope - 1) < 0.02
          ? `Off by ${show(c.offset)} everywhere: adjust its zero.`
          : "Off in proportion: adjust its span.",
    };
  return { kind: "bad" as const, words: "Off, and bent: no adjustment mends it." };
}
