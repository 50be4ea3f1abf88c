import Papa from "papaparse";
import { say } from "#words/core/sleep-current";

/** A current over time: seconds from the first sample, amperes. Both of one length, times rising. */
export interface CurrentLog {
  readonly seconds: Float64Array;
  readonly amps: Float64Array;
  /** How the file was understood, as a sentence. */
  readonly read: string;
  /** Lines that held no numbers. */
  readonly skipped: number;
}

/** Thrown for a log that cannot be read; the message says why and where. */
export class UnreadableLog extends Error {}

const AMPS: Readonly<Record<string, number>> = { a: 1, amps: 1, ma: 1e-3, ua: 1e-6, µa: 1e-6, μa: 1e-6, na: 1e-9 };
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
/** How far into the file its columns and units are looked for. */
const LOOKED_AT = 60;

/**
 * Reads a log of any logger: separator, decimal comma, the column of time and that of current, and their units are
 * found out from the first lines (RFC 4180 quoting). `unit` is what the current is in where the file does not say.
 * Throws `UnreadableLog`.
 */
export function readCurrentLog(text: string, unit: "A" | "mA" | "µA" = "A"): CurrentLog {
  const head = Papa.parse<string[]>(text.slice(0, 20_000).split(/\r?\n/).slice(0, LOOKED_AT).join("\n"), {
    skipEmptyLines: true,
  });
  const comma =
    head.meta.delimiter !== "," && head.data.some((row) => row.some((cell) => /^\s*[+-]?\d+,\d+\s*$/.test(cell)));
  const number = (cell: string | undefined) => {
    const t = (cell ?? "").trim();
    return t === "" ? NaN : Number(comma ? t.replace(",", ".") : t);
  };
  const rows = head.data.filter((r) => r.length >= 1);
  const firstData = rows.findIndex(
    (row) =>
      row.some((c) => Number.isFinite(number(c)) || clockSeconds(c) !== null) &&
      !row.some((c) => /[a-z]{2}/i.test(c) && clockSeconds(c) === null && !/^[+-]?[\d.,]+e[+-]?\d+$/i.test(c.trim())),
  );
  if (firstData < 0) throw new UnreadableLog(say.noLineOfThisFile);
  const header = firstData > 0 ? rows[firstData - 1]! : [];
  const width = rows[firstData]!.length;
  const named = (pattern: RegExp) => header.findIndex((h) => pattern.test(h));
  const unitIn = (cell: string | undefined, units: Readonly<Record<string, number>>) => {
    const m = /[[(/]\s*([a-zµμ]+)\s*[\])]?\s*$|_([a-zµμ]+)$|\s([a-zµμ]+)$/i.exec((cell ?? "").trim());
    const name = (m?.[1] ?? m?.[2] ?? m?.[3] ?? "").toLowerCase();
    return units[name] === undefined ? null : { name, factor: units[name]! };
  };
  let ampColumn = named(/current|\bamp|strom|\bI\b|[[(_ ](?:m|u|µ|μ|n)?A[\])]?\s*$/i);
  let timeColumn = named(/time|zeit|stamp|sec|elapsed|^\s*t\b|clock/i);
  if (timeColumn === ampColumn) timeColumn = -1;
  if (width === 1) ampColumn = 0;
  if (ampColumn < 0) ampColumn = timeColumn === 1 ? 0 : Math.min(1, width - 1);
  if (timeColumn < 0 && width > 1) timeColumn = ampColumn === 0 ? 1 : 0;
  const ampUnit = unitIn(header[ampColumn], AMPS) ?? { name: unit, factor: AMPS[unit.toLowerCase()]! };
  const timeUnit = unitIn(header[timeColumn], SECONDS) ?? { name: "s", factor: 1 };

  const seconds: number[] = [];
  const amps: number[] = [];
  let [skipped, day, last] = [0, 0, -Infinity];
  let line = 0;
  Papa.parse<string[]>(text, {
    delimiter: head.meta.delimiter,
    skipEmptyLines: true,
    step: ({ data }) => {
      if (line++ < firstData) return;
      const clock = timeColumn < 0 ? null : clockSeconds(data[timeColumn] ?? "");
      let t = timeColumn < 0 ? amps.length : (clock ?? number(data[timeColumn]) * timeUnit.factor);
      const a = number(data[ampColumn]) * ampUnit.factor;
      if (!Number.isFinite(t) || !Number.isFinite(a)) {
        skipped++;
        return;
      }
      // A clock without a date begins anew at midnight.
      if (clock !== null && clock < 86_400 && t + day < last - 43_200) day += 86_400;
      t += day;
      if (t <= last) {
        skipped++;
        return;
      }
      last = t;
      seconds.push(t);
      amps.push(a);
    },
  });
  if (seconds.length < 2) throw new UnreadableLog(say.fewerThanTwoSamplesCould);
  const from = seconds[0]!;
  return {
    seconds: Float64Array.from(seconds, (t) => t - from),
    amps: Float64Array.from(amps),
    skipped,
    read: readWords(seconds.length, ampUnit.name, ampColumn, timeColumn, comma),
  };
}

/**
 * Seconds of a clock time or a date with time; null for anything else. No calendar is asked: days are counted by the
 * civil rule.
 */
function clockSeconds(cell: string): number | null {
  const text = cell.trim();
  const clock = /^(?:(\d{4})-(\d{2})-(\d{2})[T ])?(\d{1,2}):(\d{2}):(\d{2}(?:[.,]\d+)?)(?:Z|[+-]\d{2}:?\d{2})?$/.exec(
    text,
  );
  if (!clock) return null;
  const [, y, m, d, h, min, s] = clock;
  const days = y ? daysFromCivil(Number(y), Number(m), Number(d)) : 0;
  return days * 86_400 + Number(h) * 3600 + Number(min) * 60 + Number(s!.replace(",", "."));
}

/** Days since 1970-01-01 of a civil date (Hinnant's algorithm). */
function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146_097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719_468;
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
