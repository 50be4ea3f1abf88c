import Papa from "papaparse";
import { clockIn } from "./log-clock";

/** The unit of a column, its factor to amperes or seconds, and every unit that may stand behind its numbers. */
export interface Units {
  readonly name: string;
  readonly factor: number;
  readonly units: Readonly<Record<string, number>>;
}

/** How the lines of a log are laid out. Columns count from 0; below 0: there is none. */
export interface LogColumns {
  readonly delimiter: string;
  readonly decimal: "." | ",";
  /** Where the first sample stands, from 0. */
  readonly firstLine: number;
  /** Whether decimal commas were cut by the commas between the columns. */
  readonly isPaired: boolean;
  readonly time: number;
  readonly date: number;
  readonly current: number;
  readonly amps: Units;
  readonly seconds: Units;
}

const AMPS: Readonly<Record<string, number>> = {
  a: 1,
  amps: 1,
  amp: 1,
  ma: 1e-3,
  ua: 1e-6,
  µa: 1e-6,
  μa: 1e-6,
  na: 1e-9,
};
const SECONDS: Readonly<Record<string, number>> = {
  s: 1,
  sec: 1,
  seconds: 1,
  ms: 1e-3,
  us: 1e-6,
  µs: 1e-6,
  min: 60,
  h: 3600,
};
/** Units that a heading line may hold beside those. */
const OTHER_UNITS = /^(?:v|mv|w|mw|ohm|ω|c|°c|hz|#|)$/i;
/** How far into the file its columns and units are looked for. */
const LOOKED_AT = 60;
const DELIMITERS = ["\t", ";", ",", " "] as const;

/**
 * Finds the layout from the first lines. Null where no line holds a sample; "either way" where each comma could be a
 * decimal mark or part a thousand.
 */
export function columnsOf(lines: readonly string[], unit: "A" | "mA" | "µA"): LogColumns | "either way" | null {
  const told = /^"?sep=(.)"?\s*$/i.exec(lines[0] ?? "")?.[1];
  const from = told === undefined ? 0 : 1;
  const head = lines.slice(from, from + LOOKED_AT);
  const splits = (told === undefined ? DELIMITERS : [told]).map((delimiter) => ({
    delimiter,
    rows: head.map((line) => split(line, delimiter)),
  }));
  // The separator that makes most lines into rows of samples of one width. Whole lines are taken for a column of numbers
  // only where no separator does half as well.
  const worth = (s: { readonly samples: number; readonly width: number }) => (s.width > 1 ? 2 : 1) * s.samples;
  const best = splits
    .map(({ delimiter, rows }) => ({ delimiter, rows, width: usualWidth(rows) }))
    .map((s) => ({ ...s, samples: s.rows.filter((r) => r.length === s.width && isSample(r)).length }))
    .reduce((a, b) => (worth(b) > worth(a) ? b : a));
  const { delimiter, rows, width } = best;
  const first = rows.findIndex((r) => r.length === width && isSample(r));
  if (best.samples === 0 || first < 0) return null;
  const { header, units } = headingOf(rows, first, width);
  const isPaired = delimiter === "," && header.length > 0 && width === 2 * header.length;
  const samples = rows.slice(first).filter((r) => r.length === width);
  const decimal = isPaired ? "." : decimalOf(samples.flat(), delimiter);
  if (decimal === null) return "either way";
  const cells = isPaired ? Math.floor(width / 2) : width;
  const chosen = chooseColumns(header, samples, cells);
  const inHead = (column: number, known: Readonly<Record<string, number>>) =>
    unitIn(units[column] ?? "", known, true) ?? unitIn(header[column] ?? "", known, false);
  return {
    delimiter,
    decimal,
    firstLine: from + first,
    isPaired,
    ...chosen,
    amps: { ...(inHead(chosen.current, AMPS) ?? { name: unit, factor: AMPS[unit.toLowerCase()]! }), units: AMPS },
    seconds: { ...(inHead(chosen.time, SECONDS) ?? { name: "s", factor: 1 }), units: SECONDS },
  };
}

function split(line: string, delimiter: string): string[] {
  const plain = line.replace(/^#\s*/, "");
  return plain.trim() === "" ? [] : splitLine(plain, delimiter);
}

/** The cells of a line; a quoted one may hold the separator (RFC 4180). */
export function splitLine(line: string, delimiter: string): string[] {
  if (delimiter === " ") return line.trim().split(/\s+/);
  if (!line.includes('"')) return line.split(delimiter);
  return Papa.parse<string[]>(line, { delimiter }).data[0] ?? [];
}

function usualWidth(rows: readonly (readonly string[])[]): number {
  const counts = new Map<number, number>();
  for (const r of rows) if (isSample(r)) counts.set(r.length, (counts.get(r.length) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 0;
}

/** A number, perhaps with a unit behind it. */
const NUMBER =
  /^\s*[+-]?(?:\d[\d.,' \u00a0]*|[.,]\d+)(?:e[+-]?\d+)?\s*(?:[mnuµμ]?(?:a|s|v|w)|amps?|sec|min|h|hz)?\s*$/i;
export const isValue = (cell: string) =>
  NUMBER.test(cell) || clockIn(cell.trim(), "day first") !== null || isDate(cell);
const isDate = (cell: string) => /^\s*\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}\s*$/.test(cell);

/** Numbers, times and dates throughout. */
const isSample = (row: readonly string[]) =>
  row.length > 0 && row.every((c) => c.trim() === "" || isValue(c)) && row.some((c) => /\d/.test(c));

/** The headings above the first sample, and the line of units between them where there is one. */
function headingOf(
  rows: readonly (readonly string[])[],
  first: number,
  width: number,
): { readonly header: readonly string[]; readonly units: readonly string[] } {
  const above = rows.slice(0, first).filter((r) => r.length > 0);
  const last = above.at(-1) ?? [];
  const isUnits = last.length >= 2 && last.every((c) => isUnit(c)) && last.some((c) => c.trim() !== "");
  const fits = (r: readonly string[] | undefined) => r !== undefined && (r.length === width || 2 * r.length === width);
  const header = isUnits ? above.at(-2) : last;
  return { header: fits(header) ? header! : [], units: isUnits ? last : [] };
}

function isUnit(cell: string): boolean {
  const bare = cell
    .replace(/[[\]()]/g, "")
    .trim()
    .toLowerCase();
  return AMPS[bare] !== undefined || SECONDS[bare] !== undefined || OTHER_UNITS.test(bare);
}

/** The unit that a heading names at its end; a cell of a line of units is nothing else. */
function unitIn(
  cell: string,
  known: Readonly<Record<string, number>>,
  isAlone: boolean,
): { readonly name: string; readonly factor: number } | null {
  const m = isAlone
    ? /^[[(]?\s*([a-zµμ]+)\s*[\])]?$/i.exec(cell.trim())
    : /[[(/]\s*([a-zµμ]+)\s*[\])]?\s*$|_([a-zµμ]+)$|\s([a-zµμ]+)$/i.exec(cell.trim());
  const name = (m?.[1] ?? m?.[2] ?? m?.[3] ?? "").toLowerCase();
  return known[name] === undefined ? null : { name, factor: known[name] };
}

/** Which columns hold the time, a date beside it, and the current: by their headings, by their cells, by their place. */
function chooseColumns(
  header: readonly string[],
  samples: readonly (readonly string[])[],
  width: number,
): { readonly time: number; readonly date: number; readonly current: number } {
  if (width === 1) return { time: -1, date: -1, current: 0 };
  const named = (pattern: RegExp, not = -1) => header.findIndex((h, i) => i !== not && pattern.test(h));
  const filled = (fits: (cell: string) => boolean) =>
    Array.from({ length: width }, (_, i) => i).find((i) => samples.every((r) => fits(r[i] ?? "")));
  const inAmps = (cell: string) => AMPS[/([a-zµμ]+)\s*$/i.exec(cell)?.[1]?.toLowerCase() ?? ""] !== undefined;
  let current = named(/current|\bamp|strom|\bI\b|[[(_ ](?:m|u|µ|μ|n)?A[\])]?\s*$/i);
  if (current < 0) current = filled(inAmps) ?? -1;
  const date = filled(isDate) ?? -1;
  let time = named(/time|zeit|stamp|sec|elapsed|^\s*t\b|clock/i, date);
  if (time < 0) time = filled((c) => clockIn(c.trim(), "day first") !== null) ?? -1;
  if (time === current) time = -1;
  if (current < 0) current = time === 1 && width === 2 ? 0 : Math.min(width - 1, Math.max(1, time + 1));
  if (time < 0) time = current === 0 ? 1 : 0;
  return { time, date: date === time || date === current ? -1 : date, current };
}

/**
 * The decimal mark of the cells. The last mark of a number with both is it; a comma that cannot part a thousand is it.
 * Null where every comma could be either.
 */
function decimalOf(cells: readonly string[], delimiter: string): "." | "," | null {
  const numbers = cells.map((c) => c.replace(/[a-zµμ]+\s*$/i, "").trim()).filter((c) => NUMBER.test(c));
  const both = numbers.find((c) => c.includes(",") && c.includes("."));
  if (both) return both.lastIndexOf(",") > both.lastIndexOf(".") ? "," : ".";
  const commas = numbers.filter((c) => c.includes(","));
  if (commas.length === 0) return numbers.some((c) => /^[+-]?\d{1,3}(?:\.\d{3}){2,}$/.test(c)) ? "," : ".";
  const canPart = (c: string) => /^[+-]?[1-9]\d{0,2}(?:,\d{3})+$/.test(c);
  if (commas.some((c) => !canPart(c))) return ",";
  // Between commas a number with a comma is quoted, as thousands are.
  if (delimiter === "," || commas.some((c) => (c.match(/,/g) ?? []).length > 1)) return ".";
  return null;
}

/** A number with this decimal mark; blanks, apostrophes and the other mark part its thousands. NaN where it is none. */
export function plainNumber(text: string, decimal: "." | ","): number {
  const bare = text.replace(/[\s\u00a0']/g, "");
  if (bare === "") return NaN;
  return Number(decimal === "," ? bare.replaceAll(".", "").replace(",", ".") : bare.replaceAll(",", ""));
}
