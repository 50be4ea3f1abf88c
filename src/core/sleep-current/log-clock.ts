/** Which of the first two numbers of a date is the day. */
export type DateOrder = "day first" | "month first";

const DATE = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2,4})[,T ]+/;
const ISO = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[T ,]+/;
const CLOCK = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{2}(?:[.,]\d+)?)\s*(am|pm)?\s*(?:Z|[+-]\d{2}:?\d{2})?$/i;

/** A moment of a log: seconds, and whether a day is in it. */
export interface Moment {
  readonly seconds: number;
  readonly dated: boolean;
}

/**
 * A clock time, with or without a date before it: `08:00:01.5`, `12:00:03 PM`, `1:05` (minutes and seconds), ISO 8601,
 * `14/03/2026 ...`, `02.03.2026 ...`. Null for anything else. No calendar is asked: days are counted by the civil rule.
 */
export function clockIn(text: string, order: DateOrder, decimal: "." | "," = "."): Moment | null {
  const [iso, own] = [ISO.exec(text), DATE.exec(text)];
  const rest = text.slice((iso ?? own)?.[0].length ?? 0).trim();
  const clock = CLOCK.exec(rest);
  if (!clock) return null;
  const [, hours, minutes, seconds, half] = clock;
  let h = Number(hours ?? 0);
  // Noon and midnight are twelve.
  if (half) h = (h % 12) + (half.toLowerCase() === "pm" ? 12 : 0);
  const time = h * 3600 + Number(minutes) * 60 + Number(seconds!.replace(decimal === "," ? "," : /[.,]/, "."));
  if (iso)
    return { seconds: 86_400 * daysFromCivil(Number(iso[1]), Number(iso[2]), Number(iso[3])) + time, dated: true };
  if (!own) return { seconds: time, dated: false };
  const [first, second, year] = [Number(own[1]), Number(own[2]), Number(own[3])];
  const [month, day] = order === "month first" ? [first, second] : [second, first];
  return { seconds: 86_400 * daysFromCivil(year < 100 ? 2000 + year : year, month, day) + time, dated: true };
}

/**
 * How the dates of a log are written: a number above twelve is a day; where none is, the order in which the whole log
 * is shorter, since a log does not leap from month to month. With a point between them the day is first.
 */
export function dateOrderOf(stamps: readonly string[]): DateOrder {
  const found = stamps.map((s) => DATE.exec(s)).filter((m) => m !== null);
  if (found.length === 0) return "day first";
  if (found.some((m) => Number(m[1]) > 12)) return "day first";
  if (found.some((m) => Number(m[2]) > 12)) return "month first";
  if (/\d\.\d/.test(found[0]![0])) return "day first";
  const span = (order: DateOrder) => {
    const seconds = stamps.flatMap((s) => clockIn(s, order)?.seconds ?? []);
    return Math.abs(seconds.at(-1)! - seconds[0]!);
  };
  return span("day first") < span("month first") ? "day first" : "month first";
}

/** Days since 1970-01-01 of a civil date (Hinnant's algorithm). */
function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146_097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719_468;
}
