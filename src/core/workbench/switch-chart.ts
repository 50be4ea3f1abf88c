import { Refused } from "./tool";
import { say } from "#words/core/workbench/switch-chart";

/** One row of a chart as a sheet prints it: a setting, and the switches that are on for it (from 1). */
export interface ChartRow {
  readonly setting: number;
  readonly on: readonly number[];
}

/** How a chart's switches count. */
export interface ChartRule {
  /** First and last switch of the field that makes the setting; the others do something else. */
  readonly field: readonly [first: number, last: number];
  /** What each switch of the field adds to the code, in their order. */
  readonly weights: readonly number[];
  readonly coded: "binary" | "decimal digits" | "Gray" | "free";
  readonly counts: "on" | "off";
  /** Setting = offset + step × code. */
  readonly offset: number;
  readonly step: number;
  /** Rows that do not fit, with the nearest switches that would, and what the printed ones stand for. */
  readonly misprints: readonly {
    readonly row: number;
    /** Null where no position of the field reaches the setting. */
    readonly nearest: readonly number[] | null;
    readonly standsFor: number;
  }[];
}

/** Reads rows such as `24: 1 3 5`, `30 = 1,2,4,5`, `0: none`. Throws `Refused` naming the row. */
export function readChart(text: string): readonly ChartRow[] {
  const lines = text.split("\n").flatMap((l, i) => (l.trim() === "" ? [] : [{ line: l.trim(), row: i + 1 }]));
  return lines.map(({ line, row }) => {
    const [, setting, switches] = /^([+-]?\d+(?:[.,]\d+)?)\s*[:=;\t]\s*(.*)$/.exec(line) ?? [];
    if (setting === undefined) throw new Refused(say.rowIsSettingThenSwitches(row, line.slice(0, 30)), "chart");
    const on = /^(?:none|-|–|all off)?$/i.test(switches!) ? [] : switches!.split(/[\s,;+&]+/).map(Number);
    if (on.some((n) => !Number.isInteger(n) || n < 1 || n > MOST_SWITCHES) || new Set(on).size < on.length)
      throw new Refused(say.switchesAreNumbers(row, switches!.slice(0, 30), MOST_SWITCHES), "chart");
    return { setting: Number(setting.replace(",", ".")), on: [...on].sort((a, b) => a - b) };
  });
}

const MOST_SWITCHES = 12;
/** Rows between which a rule's step is looked for; more say nothing new. */
const MOST_PAIRS = 120;
/** What makes a rule less likely than one that is binary, counted by on, without offset and step; estimate E61. */
const UNUSUAL = {
  offset: 0.2,
  /** A step of 2, 5 or 10 and the like, and any other. */
  step: 0.4,
  oddStep: 1,
  counts: 0.2,
  /** A switch beside the field, and one that is set differently from row to row though it does nothing. */
  field: 0.1,
  idle: 0.6,
  decimal: 0.6,
  gray: 0.8,
  free: 2,
  /** A row whose setting a rule cannot reach at all. */
  unreached: 3,
} as const;

/**
 * The rules that a chart can follow, the best first: the fewest switches wrong in all rows together, and of those the
 * most usual rule. Throws `Refused` with fewer than two rows of different settings.
 */
export function rulesOf(rows: readonly ChartRow[], count = 0): readonly ChartRule[] {
  if (new Set(rows.map((r) => r.setting)).size < 2) throw new Refused(say.twoRowsAtLeast, "chart");
  const switches = Math.max(count, ...rows.flatMap((r) => r.on));
  // A switch that is set differently from row to row does something: what makes nothing of it is the less likely.
  const varying = Array.from({ length: switches }, (_, i) => i + 1).filter(
    (n) => new Set(rows.map((r) => r.on.includes(n))).size > 1,
  );
  const costs = (rule: Unjudged) => unusualness(rule, switches, varying);
  const candidates: { readonly rule: Unjudged; readonly least: number }[] = [];
  for (let first = 1; first <= switches; first++)
    for (let last = first; last <= switches; last++)
      for (const { weights, coded } of codesOf(last - first + 1))
        for (const counts of ["on", "off"] as const) {
          const code: Code = { field: [first, last], weights, coded, counts };
          const codes = rows.map((r) => codeOf(r.on, code));
          for (const [step, offset] of linesThrough(rows, codes)) {
            const rule = { ...code, step, offset };
            // Each row that does not fit has one switch wrong at least.
            const wrong = rows.filter((r, k) => Math.abs(offset + step * codes[k]! - r.setting) > 1e-6).length;
            candidates.push({ rule, least: wrong + costs(rule) });
          }
        }
  candidates.sort((a, b) => a.least - b.least);
  const found: { readonly rule: ChartRule; readonly cost: number }[] = [];
  const free = freeWeights(rows, switches);
  if (free) found.push({ rule: free, cost: wrongIn(rows, free) + costs(free) });
  for (const { rule, least } of candidates.slice(0, MOST_JUDGED)) {
    // Nothing further down the list can be better than the rules shown.
    if (found.length >= SHOWN && least > found[SHOWN - 1]!.cost) break;
    const whole = judged(rows, rule);
    found.push({ rule: whole, cost: wrongIn(rows, whole) + costs(rule) });
    found.sort((a, b) => a.cost - b.cost);
  }
  return found.slice(0, SHOWN).map((f) => f.rule);
}

/** So many of the most promising rules are weighed to the end; the others are behind by more than they could gain. */
const MOST_JUDGED = 40;
/** So many rules are worth showing. */
const SHOWN = 3;

type Unjudged = Omit<ChartRule, "misprints">;
type Code = Pick<ChartRule, "field" | "weights" | "coded" | "counts">;

/** Ways in which so many switches count. */
function codesOf(length: number): readonly Pick<ChartRule, "weights" | "coded">[] {
  const doubling = Array.from({ length }, (_, i) => 2 ** i);
  const digits = Array.from({ length }, (_, i) => 2 ** (i % 4) * 10 ** Math.floor(i / 4));
  const both = (weights: readonly number[], coded: ChartRule["coded"]) =>
    length === 1
      ? [{ weights, coded }]
      : [
          { weights, coded },
          { weights: [...weights].reverse(), coded },
        ];
  return [
    ...both(doubling, "binary"),
    ...(length > 4 ? both(digits, "decimal digits") : []),
    ...(length > 2 ? both(doubling, "Gray") : []),
  ];
}

/** The code that switches stand for. */
function codeOf(on: readonly number[], { field: [first], weights, coded, counts }: Code): number {
  const bits = weights.map((_, i) => on.includes(first + i) === (counts === "on"));
  if (coded !== "Gray") return weights.reduce((sum, w, i) => sum + (bits[i] ? w : 0), 0);
  // From the heaviest down each bit turns the next one over (F. Gray, US 2632058).
  const order = weights.map((w, i) => ({ w, bit: bits[i]! })).sort((a, b) => b.w - a.w);
  let [sum, isOn] = [0, false];
  for (const { w, bit } of order) {
    isOn = isOn !== bit;
    if (isOn) sum += w;
  }
  return sum;
}

/** Steps and offsets through two rows each. */
function linesThrough(
  rows: readonly ChartRow[],
  codes: readonly number[],
): readonly (readonly [step: number, offset: number])[] {
  const lines = new Map<string, readonly [number, number]>();
  let pairs = 0;
  for (let i = 0; i < rows.length && pairs < MOST_PAIRS; i++)
    for (let j = i + 1; j < rows.length && pairs < MOST_PAIRS; j++) {
      if (codes[i] === codes[j]) continue;
      pairs++;
      const step = (rows[i]!.setting - rows[j]!.setting) / (codes[i]! - codes[j]!);
      if (step === 0) continue;
      const offset = rows[i]!.setting - step * codes[i]!;
      lines.set(`${round(step)} ${round(offset)}`, [step, offset]);
    }
  return [...lines.values()];
}

const round = (v: number) => Math.round(v * 1e6) / 1e6;

/** A rule with its misprints. */
function judged(rows: readonly ChartRow[], rule: Unjudged): ChartRule {
  const standing = rows.map((r) => round(rule.offset + rule.step * codeOf(r.on, rule)));
  const wrong = rows.flatMap((r, row) => (Math.abs(standing[row]! - r.setting) < 1e-6 ? [] : [row]));
  const positions = wrong.length > 0 ? positionsOf(rule) : new Map<number, readonly (readonly number[])[]>();
  return {
    ...rule,
    misprints: wrong.map((row) => ({
      row,
      nearest: nearestOf(rows[row]!, rule, positions),
      standsFor: standing[row]!,
    })),
  };
}

/** Every position of a rule's field, as the switches that are on, by the setting that it stands for. */
function positionsOf(rule: Unjudged): ReadonlyMap<number, readonly (readonly number[])[]> {
  const [first, last] = rule.field;
  const length = last - first + 1;
  const positions = new Map<number, (readonly number[])[]>();
  for (let bits = 0; bits < 2 ** length; bits++) {
    const on = Array.from({ length }, (_, i) => first + i).filter((_, i) => (bits >> i) & 1);
    const setting = round(rule.offset + rule.step * codeOf(on, rule));
    positions.set(setting, [...(positions.get(setting) ?? []), on]);
  }
  return positions;
}

/** Of all positions of the field that stand for a row's setting the one with the fewest switches moved. */
function nearestOf(
  row: ChartRow,
  { field: [first, last] }: Unjudged,
  positions: ReadonlyMap<number, readonly (readonly number[])[]>,
): readonly number[] | null {
  const isIn = (n: number) => n >= first && n <= last;
  const [own, outside] = [row.on.filter(isIn), row.on.filter((n) => !isIn(n))];
  const reached = positions.get(round(row.setting)) ?? [];
  const [best] = [...reached].sort((a, b) => movedBetween(a, own) - movedBetween(b, own));
  return best ? [...outside, ...best].sort((a, b) => a - b) : null;
}

const movedBetween = (a: readonly number[], b: readonly number[]) =>
  a.filter((n) => !b.includes(n)).length + b.filter((n) => !a.includes(n)).length;

/** Switches wrong in all rows together. */
function wrongIn(rows: readonly ChartRow[], { misprints }: ChartRule): number {
  return misprints.reduce(
    (sum, m) => sum + (m.nearest ? movedBetween(m.nearest, rows[m.row]!.on) : UNUSUAL.unreached),
    0,
  );
}

function unusualness(rule: Unjudged, switches: number, varying: readonly number[]): number {
  const coded = { binary: 0, "decimal digits": UNUSUAL.decimal, Gray: UNUSUAL.gray, free: UNUSUAL.free }[rule.coded];
  const [first, last] = rule.field;
  return (
    coded +
    stepCost(rule.step) +
    (Math.abs(rule.offset) > 1e-9 ? UNUSUAL.offset : 0) +
    (rule.counts === "off" ? UNUSUAL.counts : 0) +
    UNUSUAL.field * (switches - (last - first + 1)) +
    UNUSUAL.idle * varying.filter((n) => n < first || n > last).length
  );
}

function stepCost(step: number): number {
  if (Math.abs(step - 1) < 1e-9) return 0;
  const lead = step / 10 ** Math.floor(Math.log10(Math.abs(step)) + 1e-9);
  return [1, 2, 2.5, 5].some((usual) => Math.abs(lead - usual) < 1e-6) ? UNUSUAL.step : UNUSUAL.oddStep;
}

/**
 * Weights of any size, by least squares over all rows but one: the one left out is the misprint where all others fit
 * exactly. Null where no rows but one do, or there are too few rows to tell.
 */
function freeWeights(rows: readonly ChartRow[], switches: number): ChartRule | null {
  const used = Array.from({ length: switches }, (_, i) => i + 1).filter((n) => rows.some((r) => r.on.includes(n)));
  if (rows.length < used.length + 3) return null;
  for (let left = -1; left < rows.length; left++) {
    const kept = rows.filter((_, i) => i !== left);
    const solved = solve(kept, used);
    if (!solved) continue;
    const [offset, ...own] = solved.map(round);
    const weights = Array.from({ length: switches }, (_, i) => own[used.indexOf(i + 1)] ?? 0);
    const rule = {
      field: [1, switches] as const,
      weights,
      coded: "free" as const,
      counts: "on" as const,
      offset: offset!,
      step: 1,
    };
    const whole = judged(rows, rule);
    if (whole.misprints.length <= (left < 0 ? 0 : 1)) return whole;
  }
  return null;
}

/** Offset and weights by the normal equations, Gauss with pivots. Null where the rows do not fix them. */
function solve(rows: readonly ChartRow[], used: readonly number[]): number[] | null {
  const n = used.length + 1;
  const lines = rows.map((r) => [1, ...used.map((u) => Number(r.on.includes(u)))]);
  const m = Array.from({ length: n }, (_, i) => [
    ...Array.from({ length: n }, (_, j) => lines.reduce((sum, l) => sum + l[i]! * l[j]!, 0)),
    lines.reduce((sum, l, k) => sum + l[i]! * rows[k]!.setting, 0),
  ]);
  for (let c = 0; c < n; c++) {
    const pivot = m
      .slice(c)
      .reduce((best, _, k) => (Math.abs(m[c + k]![c]!) > Math.abs(m[best]![c]!) ? c + k : best), c);
    if (Math.abs(m[pivot]![c]!) < 1e-9) return null;
    [m[c], m[pivot]] = [m[pivot]!, m[c]!];
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const f = m[r]![c]! / m[c]![c]!;
      for (let k = c; k <= n; k++) m[r]![k]! -= f * m[c]![k]!;
    }
  }
  return m.map((row, i) => row[n]! / row[i]!);
}

/** A chart as the values of a setting in a machine's file: a bit a switch, misprints as the rule has them. */
export function chartValues(
  rows: readonly ChartRow[],
  rule: ChartRule | undefined,
): {
  readonly values: readonly { readonly value: string; readonly words: string }[];
  readonly switches: readonly number[];
  /** Settings whose position another row has already. */
  readonly twice: readonly number[];
} {
  const meant = rows.map((r, i) => rule?.misprints.find((m) => m.row === i)?.nearest ?? r.on);
  const count = Math.max(...meant.flat(), rule?.field[1] ?? 1);
  const switches = Array.from({ length: count }, (_, i) => i + 1);
  const words = new Map<string, string>();
  const twice: number[] = [];
  rows.forEach((r, i) => {
    const value = switches.map((n) => (meant[i]!.includes(n) ? "1" : "0")).join("");
    if (words.has(value)) twice.push(r.setting);
    else words.set(value, String(r.setting));
  });
  return { values: [...words].map(([value, setting]) => ({ value, words: setting })), switches, twice };
}
