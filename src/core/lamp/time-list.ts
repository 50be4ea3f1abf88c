import type { Flash, Watched } from "./lamp-beats";
import { say } from "#words/core/lamp";

/** Thrown for a list that is no list of times; the message is a sentence. */
export class TimeListError extends Error {}

const MOST_TIMES = 5000;

/**
 * Reads a list of times: one a line, or separated by commas, semicolons or blanks. Two columns are from and to of each
 * flash; one column is the beginning of each. A first line of words is a heading. Milliseconds are found out by their
 * size and from "ms" in the heading. Throws `TimeListError`.
 */
export function readTimeList(text: string): Watched {
  const lines = text
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter((l) => l !== "");
  const heading = lines[0] && /[a-z]/i.test(lines[0].replace(/e[+-]?\d/gi, "")) ? lines.shift()! : "";
  if (lines.length === 0) throw new TimeListError(say.thereIsNoTimeIn);
  // In a list with semicolons or tabs a comma is a decimal comma.
  const commaIsPoint = lines.some((l) => /[;\t]/.test(l));
  const rows = lines.map((line, i) =>
    (commaIsPoint ? line.replace(/,/g, ".").split(/[;\t]+/) : line.split(/[,\s]+/))
      .filter((c) => c.trim() !== "")
      .map((cell) => {
        const value = Number(cell.trim());
        if (!Number.isFinite(value))
          throw new TimeListError(say.lineIsNoTime(i + 1 + (heading ? 1 : 0), cell.trim().slice(0, 20)));
        return value;
      }),
  );
  const pairs = rows.length > 1 && rows.every((r) => r.length === 2);
  const values = rows.flat();
  if (values.length > MOST_TIMES) throw new TimeListError(say.moreThanTimesGiveA(MOST_TIMES));
  for (let i = 1; i < values.length; i++)
    if (values[i]! < values[i - 1]!) throw new TimeListError(say.theTimesAreNotIn(values[i - 1], values[i]));
  const span = values[values.length - 1]! - values[0]!;
  if (values.length < 3 || span <= 0) throw new TimeListError(say.threeTimesAtLeastAnd);
  // Blinking is never so slow that flashes are 20 seconds apart.
  const scale = /\bms\b|milli/i.test(heading) || span / values.length > 20 ? 0.001 : 1;
  const flashes: Flash[] = pairs
    ? rows.map(([from, to]) => ({ from: from! * scale, to: to! * scale }))
    : values.map((v) => ({ from: v * scale, to: null }));
  return {
    flashes,
    start: values[0]! * scale - 0.2,
    end: values[values.length - 1]! * scale,
    blur: 0.01,
    byHand: !pairs,
  };
}
