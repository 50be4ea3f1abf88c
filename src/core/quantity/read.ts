import { say } from "#words/core/quantity";

/**
 * Reads what a technician types from a meter: `13.2`, `13,2 V`, `4k7`, `OL`, `0.43A`, `3-11`, `beep`, nothing.
 */

/** What a meter showed. `jumping` is a display that will not settle: it moves between two values. */
export type Reading =
  | {
      readonly kind: "value";
      readonly value: number;
      /** Of what is predicted only: known to within this factor and no better, see `Stamp.between`. */
      readonly factor?: number;
    }
  | { readonly kind: "overload" }
  | { readonly kind: "jumping"; readonly low: number; readonly high: number; readonly manner: Manner }
  | { readonly kind: "beep"; readonly beeps: boolean }
  | { readonly kind: "label"; readonly label: string };

/** How an unsteady display moves: at random, slowly down, or in a rhythm. */
export type Manner = "jumping" | "fading" | "pulsing";

/** The quantity the field is asking for; decides which units are taken. */
export type Asked = "V" | "ohm" | "A" | "Hz" | "F" | "beep";

/** What reading a text came to: a value, a question back to the technician, or a sentence saying what is wrong. */
export type ReadResult =
  | { readonly ok: true; readonly shown: Reading }
  | { readonly ok: false; readonly ask: "overload?"; readonly sentence: string }
  | { readonly ok: false; readonly ask?: undefined; readonly sentence: string };

const PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  "": 1,
  R: 1,
  r: 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  G: 1e9,
};

const UNIT: Readonly<Record<string, Asked>> = {
  v: "V",
  volt: "V",
  volts: "V",
  vdc: "V",
  vac: "V",
  "v~": "V",
  "v=": "V",
  a: "A",
  amp: "A",
  amps: "A",
  aac: "A",
  adc: "A",
  hz: "Hz",
  hertz: "Hz",
  f: "F",
  farad: "F",
  farads: "F",
  ohm: "ohm",
  ohms: "ohm",
  ω: "ohm",
  Ω: "ohm",
};

const NUMBER = String.raw`[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?`;
const VALUE = new RegExp(`^(${NUMBER})\\s*([pnuµμmkKMGRr]?)\\s*(v~|v=|[a-zA-ZΩΩω]*)$`);
/** IEC 60062 style: the letter stands where the decimal point would, 4k7, R47, 2R2, 1M0. */
const LETTER_POINT = /^([+-]?\d*)([kKMGRrmuµ])(\d+)\s*([a-zA-ZΩΩω]*)$/;

/** Digits in groups of three, ISO 80000-1: 12 500. Any other gap, as in "12 34", may be two readings and is none. */
const THOUSANDS = /^[+-]?\d{1,3}(?:\s\d{3})+(?!\s*\d)/;

/** A comma with three digits behind it, and no nought before: a thousand to one, a fraction to the other. */
const EITHER_WAY = /^[+-]?[1-9]\d{0,2},\d{3}(?!\d)/;

/** "1,500" as 1500 and as 1.5 for the question which is meant; null for what can be read one way only. */
export function eitherWay(text: string): { readonly whole: string; readonly fraction: string } | null {
  const comma = EITHER_WAY.exec(text.trim().replace("\u2212", "-"))?.[0];
  if (!comma) return null;
  return { whole: comma.replace(",", ""), fraction: String(Number(comma.replace(",", "."))) };
}

/**
 * Microfarads as the trade writes them: `35 mf`, `35 MFD`, `10 mfd`. A capacitor of thousandths of a farad is printed in
 * microfarads, so that an m before an f is never one of them.
 */
const MICROFARADS = /(\d|\d[.,]|[.,]\d)\s*(?:mfd|mf|ufd|µfd)$/i;

/** Reads one number with an optional prefix and unit. Returns null when it is none. */
export function readEngineering(text: string): { value: number; unit: Asked | null } | null {
  const plain = text
    .trim()
    .replace(MICROFARADS, "$1 uF")
    .replace(/\u2212/g, "-")
    .replace(THOUSANDS, (grouped) => grouped.replace(/\s/g, ""))
    .replace(/^([+-]?\d*),(\d*)/, "$1.$2");
  const infix = LETTER_POINT.exec(plain);
  if (infix) {
    const unit = unitNamed(infix[4]!);
    if (unit === undefined) return null;
    const value = Number(`${infix[1] || "0"}.${infix[3]!}`) * PREFIX[infix[2]!]!;
    return { value, unit: unit ?? (infix[2] === "R" || infix[2] === "r" ? "ohm" : null) };
  }
  const match = VALUE.exec(plain);
  if (!match) return null;
  const unit = unitNamed(match[3]!);
  if (unit === undefined) return null;
  const value = Number(match[1]) * PREFIX[match[2]!]!;
  if (!Number.isFinite(value)) return null;
  return { value, unit: unit ?? (match[2] === "R" || match[2] === "r" ? "ohm" : null) };
}

function unitNamed(word: string): Asked | null | undefined {
  if (word === "") return null;
  return UNIT[word.toLowerCase()] ?? UNIT[word];
}

const OVERLOAD = /^(ol|o\.l\.?|0l|0\.l|over|overload|over range|inf|infinite|infinity|∞|open|1\s*\.?_+)$/i;
const NOTHING = /^(nothing|none|dead|zero|no)$/i;
const BEEP = /^(beep|beeps|b|yes|y|sounds|tone)$/i;
const MANNERS: readonly (readonly [RegExp, Manner])[] = [
  [/\b(?:fad(?:es|ing)|drops|dropping|sinks|sinking)\b/i, "fading"],
  [/\b(?:puls(?:es|ing)|ticks|ticking|blinks)\b/i, "pulsing"],
  [/\b(?:jump(?:s|ing)?|jumpy|unsteady|wanders)\b/i, "jumping"],
];
const RANGE = /^(.+?)\s*(?:-|–|—|\.\.+|\bto\b|\band\b)\s*(.+)$/i;

/**
 * Reads what was typed for a test that asks for `asked`.
 *
 * A lone `1` on ohms or continuity is asked back ("manual-range overload, or one ohm?"), because some meters
 * show an overload so; `1.0`, `1 ohm` are taken as a value. A negative resistance or current range is refused.
 */
export function parseReading(text: string, asked: Asked): ReadResult {
  const typed = text.trim();
  if (typed === "") return { ok: false, sentence: say.nothingTypedYetTypeWhat };
  if (OVERLOAD.test(typed)) return asked === "beep" ? yes({ kind: "beep", beeps: false }) : yes({ kind: "overload" });
  if (NOTHING.test(typed)) return nothingOn(asked);
  if (BEEP.test(typed)) {
    return asked === "beep" ? yes({ kind: "beep", beeps: true }) : no(say.aBeepBelongsToContinuity);
  }
  if (typed === "1" && (asked === "ohm" || asked === "beep")) {
    return {
      ok: false,
      ask: "overload?",
      sentence: say.aLone1CanBe,
    };
  }

  let manner: Manner | null = null;
  let rest = typed;
  for (const [pattern, name] of MANNERS)
    if (pattern.test(rest)) {
      manner = name;
      rest = rest.replace(pattern, " ").trim();
    }

  const either = eitherWay(rest);
  if (either) return no(say.whichIsMeant(rest.slice(0, 40), either.whole, either.fraction));
  const single = readEngineering(rest);
  if (single) {
    const wrong = unitMismatch(single.unit, asked) ?? impossible(single.value, asked);
    if (wrong) return no(wrong);
    if (manner !== null)
      return yes({ kind: "jumping", low: Math.min(0, single.value), high: Math.max(0, single.value), manner });
    return asked === "beep"
      ? yes({ kind: "beep", beeps: single.value < 30 })
      : yes({ kind: "value", value: single.value });
  }

  const range = RANGE.exec(rest);
  if (range) {
    const right = readEngineering(range[2]!);
    const left = readEngineering(withUnitOf(range[2]!, range[1]!));
    if (left && right) {
      const wrong =
        unitMismatch(left.unit, asked) ??
        unitMismatch(right.unit, asked) ??
        impossible(Math.min(left.value, right.value), asked);
      if (wrong) return no(wrong);
      if (asked === "beep") return no(say.forContinuityTypeBeepOr);
      return yes({
        kind: "jumping",
        low: Math.min(left.value, right.value),
        high: Math.max(left.value, right.value),
        manner: manner ?? "jumping",
      });
    }
  }
  return no(say.isNoReadingTypeA(typed.slice(0, 40)));
}

/** What "nothing" is on a display: no beep, an open circuit on ohms, else a nought. */
function nothingOn(asked: Asked): ReadResult {
  if (asked === "beep") return yes({ kind: "beep", beeps: false });
  return asked === "ohm" ? yes({ kind: "overload" }) : yes({ kind: "value", value: 0 });
}

/**
 * The first of two ends with the unit of the second where it has none and would stand above it: `108-130u` is 108 to
 * 130 µF.
 */
export function withUnitOf(second: string, first: string): string {
  const [, number, tail] = /^([+-]?[\d.,]+)\s*(\D*)$/.exec(second.trim()) ?? [];
  const [low, high] = [Number(first.replace(",", ".")), Number((number ?? "").replace(",", "."))];
  return tail && low <= high ? `${first.trim()}${tail}` : first;
}

function unitMismatch(unit: Asked | null, asked: Asked): string | null {
  if (unit === null || unit === asked || (asked === "beep" && unit === "ohm")) return null;
  const word = { V: "volts", A: "amperes", ohm: "ohms", Hz: "hertz", F: "farads", beep: "continuity" } as const;
  return say.thatIsInThisTest(word[unit], word[asked]);
}

function impossible(value: number, asked: Asked): string | null {
  if (value < 0 && (asked === "Hz" || asked === "F")) return say.thisIsNeverBelowZero;
  // A meter whose leads were zeroed shows a few hundredths below nothing on a good joint.
  if ((asked === "ohm" || asked === "beep") && value < -0.5) return say.aResistanceBelowZeroMeans;
  return null;
}

const yes = (shown: Reading): ReadResult => ({ ok: true, shown });
const no = (sentence: string): ReadResult => ({ ok: false, sentence });
