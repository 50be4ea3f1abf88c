import { say } from "#words/core/lamp";

/**
 * How a lamp goes: what a machine file says of it in words, as a pattern, and as light in time. The words are the
 * labels under which lamps are seen: "steady", "blinks evenly", "2 flashes, pause", "1 long 5 short, pause", "1 red 2
 * green, pause".
 */
export type LampPattern =
  | { readonly kind: "dark" }
  | { readonly kind: "steady" }
  | { readonly kind: "blinks"; readonly rate: BlinkRate }
  | { readonly kind: "groups"; readonly flashes: number }
  | { readonly kind: "digits"; readonly long: number; readonly short: number }
  | {
      readonly kind: "colours";
      readonly first: Colour;
      readonly firsts: number;
      readonly second: Colour;
      readonly seconds: number;
    }
  | { readonly kind: "distress" };

export type BlinkRate = "slowly" | "evenly" | "fast";
export const COLOURS = ["red", "green", "yellow", "blue", "white"] as const;
export type Colour = (typeof COLOURS)[number];

/** Blinks a second of an even blinking, as shown; the borders between the words lie half-way (geometrically). */
export const BLINK_HERTZ: Readonly<Record<BlinkRate, number>> = { slowly: 0.4, evenly: 1.1, fast: 3 };

/** The word for so many blinks a second. */
export function blinkRate(hertz: number): BlinkRate {
  if (hertz < Math.sqrt(BLINK_HERTZ.slowly * BLINK_HERTZ.evenly)) return "slowly";
  return hertz < Math.sqrt(BLINK_HERTZ.evenly * BLINK_HERTZ.fast) ? "evenly" : "fast";
}

/** Most flashes in a group that anyone counts. */
export const MOST_FLASHES = 12;
const COLOUR = `(${COLOURS.join("|")})`;

/** The pattern that a label means; null for words that mean none. */
export function patternOf(label: string): LampPattern | null {
  const text = label.trim().toLowerCase();
  if (text === "dark") return { kind: "dark" };
  if (text === "steady" || text === "lit") return { kind: "steady" };
  if (text === "distress signal") return { kind: "distress" };
  const blinks = /^blinks (slowly|evenly|fast)$/.exec(text);
  if (blinks) return { kind: "blinks", rate: blinks[1] as BlinkRate };
  const groups = /^(\d{1,2}) flash(?:es)?, pause$/.exec(text);
  if (groups) return counted(Number(groups[1])) ? { kind: "groups", flashes: Number(groups[1]) } : null;
  const digits = /^(\d) long (\d) short, pause$/.exec(text);
  if (digits)
    return counted(Number(digits[1])) && counted(Number(digits[2]))
      ? { kind: "digits", long: Number(digits[1]), short: Number(digits[2]) }
      : null;
  const colours = new RegExp(`^(\\d) ${COLOUR} (\\d) ${COLOUR}, pause$`).exec(text);
  if (!colours || colours[2] === colours[4] || !counted(Number(colours[1])) || !counted(Number(colours[3])))
    return null;
  return {
    kind: "colours",
    firsts: Number(colours[1]),
    first: colours[2] as Colour,
    seconds: Number(colours[3]),
    second: colours[4] as Colour,
  };
}

const counted = (n: number) => n >= 1 && n <= MOST_FLASHES;

/** The label of a pattern; `patternOf` reads it back. */
export function labelOf(pattern: LampPattern): string {
  switch (pattern.kind) {
    case "dark":
      return "dark";
    case "steady":
      return "steady";
    case "blinks":
      return `blinks ${pattern.rate}`;
    case "groups":
      return say.flashesFlashPartPause(pattern.flashes);
    case "digits":
      return say.longShortPause(pattern.long, pattern.short);
    case "colours":
      return `${pattern.firsts} ${pattern.first} ${pattern.seconds} ${pattern.second}, pause`;
    case "distress":
      return say.distressSignal;
  }
}

/** Light for so long: dark, or lit in a colour (white where the colour means nothing). */
export interface Light {
  readonly lit: Colour | null;
  readonly seconds: number;
}

const FLASH = 0.3;
const PAUSE = 1.5;
const LONG = 3 * FLASH;
const BETWEEN_DIGITS = 0.8;
/**
 * ITU-R M.1677-1: a dash is three dots; gaps are one dot inside a letter, three between letters, seven between words.
 */
const DOT = 0.2;

/** One round of a pattern as light in time; a pattern without flashes is one stretch. */
export function roundOf(pattern: LampPattern): readonly Light[] {
  const flashes = (n: number, lit: Colour, seconds: number, gap: number, last: number): Light[] =>
    Array.from({ length: n }, (_, i) => [
      { lit, seconds },
      { lit: null, seconds: i === n - 1 ? last : gap },
    ]).flat();
  switch (pattern.kind) {
    case "dark":
      return [{ lit: null, seconds: 1 }];
    case "steady":
      return [{ lit: "white", seconds: 1 }];
    case "blinks": {
      const half = 0.5 / BLINK_HERTZ[pattern.rate];
      return flashes(1, "white", half, half, half);
    }
    case "groups":
      return flashes(pattern.flashes, "white", FLASH, FLASH, PAUSE);
    case "digits":
      return [
        ...flashes(pattern.long, "white", LONG, FLASH, BETWEEN_DIGITS),
        ...flashes(pattern.short, "white", FLASH, FLASH, PAUSE),
      ];
    case "colours":
      return [
        ...flashes(pattern.firsts, pattern.first, FLASH, FLASH, BETWEEN_DIGITS),
        ...flashes(pattern.seconds, pattern.second, FLASH, FLASH, PAUSE),
      ];
    case "distress":
      return [
        ...flashes(3, "white", DOT, DOT, 3 * DOT),
        ...flashes(3, "white", 3 * DOT, DOT, 3 * DOT),
        ...flashes(3, "white", DOT, DOT, 7 * DOT),
      ];
  }
}

/** Whether a lamp that goes so is lit `seconds` after it began, and in what colour. */
export function litAt(pattern: LampPattern, seconds: number): Colour | null {
  const round = roundOf(pattern);
  const length = round.reduce((sum, l) => sum + l.seconds, 0);
  let left = seconds % length;
  for (const light of round) {
    if (left < light.seconds) return light.lit;
    left -= light.seconds;
  }
  return round[0]!.lit;
}
