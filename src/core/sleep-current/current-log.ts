import { clockIn, type DateOrder, dateOrderOf } from "./log-clock";
import { columnsOf, isValue, splitLine, type LogColumns, plainNumber, type Units } from "./log-columns";
import { say } from "#words/core/sleep-current";

/** A current over time: seconds from the first sample, amperes. Both of one length, times rising. */
export interface CurrentLog {
  readonly seconds: Float64Array;
  readonly amps: Float64Array;
  /** How the file was understood, as a sentence. */
  readonly read: string;
  /** Lines that held no numbers. */
  readonly skipped: number;
  /** The smallest step its figures are written in, amperes: of a few readings by eye their differences say nothing. */
  readonly resolution: number;
}

/** Thrown for a log that cannot be read; the message says why and where. */
export class UnreadableLog extends Error {}

/** So many lines without numbers a log may have between its samples, or one in a hundred; estimate E60. */
const MOST_DROPPED = 3;
/** By so many of its first lines the order of day and month is found out. */
const DATES_LOOKED_AT = 1000;
/** A time that stands twice is taken as so much later, seconds: a logger that is quicker than its clock. */
const SAME_TIME = 1e-6;

/**
 * Reads a log of any logger: separator, decimal mark, headings and units, the columns of time and current are found out
 * from its first lines (RFC 4180 quoting). `unit` is what the current is in where the file does not say. Throws
 * `UnreadableLog` where it is no log, and where more than a few lines of it would be dropped, with the first of them.
 */
export function readCurrentLog(text: string, unit: "A" | "mA" | "µA" = "A"): CurrentLog {
  const lines = text.replace(/^\uFEFF/, "").split(/\r?\n/);
  const columns = columnsOf(lines, unit);
  if (columns === null) throw new UnreadableLog(say.noLineOfThisFile);
  if (columns === "either way") throw new UnreadableLog(say.commaEitherWay);
  const rows = cellsOf(lines, columns);
  const some = [...rows.slice(0, DATES_LOOKED_AT), ...rows.slice(-1)];
  const order = dateOrderOf(some.map(({ cells }) => stampOf(cells, columns)));
  const { seconds, amps, dropped, step } = samplesOf(rows, columns, order);
  const first = dropped[0];
  if (first && dropped.length > Math.max(MOST_DROPPED, rows.length / 100))
    throw new UnreadableLog(say.linesCannotBeRead(dropped.length, first.line, first.words.slice(0, 60)));
  if (seconds.length < 2) throw new UnreadableLog(say.fewerThanTwoSamplesCould);
  const from = seconds[0]!;
  return {
    seconds: Float64Array.from(seconds, (t) => t - from),
    amps: Float64Array.from(amps),
    skipped: dropped.length,
    resolution: step,
    read: readWords(seconds.length, columns.amps.name, columns.current, columns.time, columns.decimal === ","),
  };
}

interface Row {
  /** Of the file, from 1. */
  readonly line: number;
  readonly words: string;
  readonly cells: readonly string[];
}

/** The rows from the first sample to the last: what stands after it, as "End of log", is no lost sample. */
function cellsOf(lines: readonly string[], { delimiter, firstLine, isPaired }: LogColumns): Row[] {
  const rows = lines.slice(firstLine).flatMap((words, i) => {
    if (words.trim() === "") return [];
    const split = splitLine(words, delimiter);
    const cells = isPaired ? paired(split) : split;
    return [{ line: firstLine + i + 1, words: words.trim(), cells }];
  });
  while (rows.length > 0 && !rows.at(-1)!.cells.some(isValue)) rows.pop();
  return rows;
}

/** Decimal commas between commas: 0,5,12,3 is 0.5 and 12.3. */
function paired(cells: readonly string[]): string[] {
  return cells.length % 2 === 1 ? [...cells] : cells.flatMap((c, i) => (i % 2 === 0 ? [`${c}.${cells[i + 1]!}`] : []));
}

/** The text of a row's time: of a date beside a time both. */
function stampOf(cells: readonly string[], { time, date }: LogColumns): string {
  return [date < 0 ? "" : cells[date], time < 0 ? "" : cells[time]].join(" ").trim();
}

interface Samples {
  readonly seconds: readonly number[];
  readonly amps: readonly number[];
  readonly dropped: readonly Row[];
  /** The smallest step the figures are written in, amperes. */
  readonly step: number;
}

function samplesOf(rows: readonly Row[], columns: LogColumns, order: DateOrder): Samples {
  const seconds: number[] = [];
  const amps: number[] = [];
  const dropped: Row[] = [];
  let [day, last, step] = [0, -Infinity, Infinity];
  rows.forEach((row, i) => {
    const stamp = stampOf(row.cells, columns);
    const clock = stamp === "" ? null : clockIn(stamp, order, columns.decimal);
    let t = clock?.seconds ?? valueIn(row.cells[columns.time], columns, columns.seconds);
    if (columns.time < 0 && clock === null) t = i;
    const a = valueIn(row.cells[columns.current], columns, columns.amps);
    // A clock without a date begins anew at midnight.
    if (clock && !clock.dated && t + day < last - 43_200) day += 86_400;
    t += day;
    if (!Number.isFinite(t) || !Number.isFinite(a) || t < last - 2 * SAME_TIME) {
      dropped.push(row);
      return;
    }
    last = Math.max(t, last + SAME_TIME);
    seconds.push(last);
    amps.push(a);
    step = Math.min(step, stepIn(row.cells[columns.current]!, columns));
  });
  return { seconds, amps, dropped, step };
}

const CELL = /^\s*([^a-zµμ%]*\d(?:[eE][+-]?\d+)?[.,]?)\s*([a-zµμ]*)\s*$/i;

/** The number in a cell, in the unit behind it or else in its column's; NaN where there is none. */
function valueIn(cell: string | undefined, { decimal }: LogColumns, own: Units): number {
  const [, number, unit] = CELL.exec(cell ?? "") ?? [];
  return number === undefined ? NaN : plainNumber(number, decimal) * factorOf(unit, own);
}

/** What one in the last figure of a cell is, amperes. */
function stepIn(cell: string, { decimal, amps }: LogColumns): number {
  const [, number, unit] = CELL.exec(cell) ?? [];
  const places = ((number ?? "").split(decimal)[1] ?? "").match(/^\d+/)?.[0].length ?? 0;
  const exponent = Number(/e([+-]?\d+)/i.exec(number ?? "")?.[1] ?? 0);
  return factorOf(unit, amps) * 10 ** (exponent - places);
}

function factorOf(unit: string | undefined, { factor, units }: Units): number {
  return unit === "" || unit === undefined ? factor : (units[unit.toLowerCase()] ?? NaN);
}

/** At most `most` points that keep every peak: the least and the largest of each stretch, in order. For drawing. */
export function thinned(
  log: Pick<CurrentLog, "seconds" | "amps">,
  most: number,
): readonly (readonly [seconds: number, amps: number])[] {
  const n = log.amps.length;
  if (n <= most) return Array.from(log.amps, (a, i) => [log.seconds[i]!, a] as const);
  const stretch = Math.ceil((2 * n) / most);
  const points: (readonly [number, number])[] = [];
  for (let from = 0; from < n; from += stretch) {
    let [low, high] = [from, from];
    for (let i = from; i < Math.min(n, from + stretch); i++) {
      if (log.amps[i]! < log.amps[low]!) low = i;
      if (log.amps[i]! > log.amps[high]!) high = i;
    }
    for (const i of low === high ? [low] : [Math.min(low, high), Math.max(low, high)])
      points.push([log.seconds[i]!, log.amps[i]!]);
  }
  return points;
}

/** How a log was read, so that one sees at once when it was read wrongly. Columns counted from 0; below 0: none. */
function readWords(samples: number, unit: string, ampColumn: number, timeColumn: number, comma: boolean): string {
  const current = unit.replace("ua", "µA").replace("ma", "mA").replace(/^a$/, "A");
  const time = timeColumn < 0 ? say.oneASecond : `time from column ${timeColumn + 1}`;
  return say.samplesCurrentInFromColumn(samples, current, ampColumn + 1, time, comma ? say.decimalComma : "");
}
