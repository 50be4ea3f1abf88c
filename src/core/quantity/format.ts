import type { Reading } from "./read";
import { say } from "#words/core/quantity";

const STEPS: readonly (readonly [number, string])[] = [
  [1e9, "G"],
  [1e6, "M"],
  [1e3, "k"],
  [1, ""],
  [1e-3, "m"],
  [1e-6, "µ"],
  [1e-9, "n"],
  [1e-12, "p"],
];

/** A number to `digits` significant places with an engineering prefix: 4700 -> "4.70 k", 0.012 -> "12.0 m". */
export function engineering(value: number, digits = 3): { number: string; prefix: string } {
  if (value === 0) return { number: "0", prefix: "" };
  const [scale, prefix] =
    STEPS.find(([s]) => Math.abs(value) >= s * (1 - 0.5 * 10 ** -digits)) ?? STEPS[STEPS.length - 1]!;
  const scaled = value / scale;
  const whole = Math.max(1, Math.floor(Math.log10(Math.abs(scaled)) + 1e-9) + 1);
  return { number: scaled.toFixed(Math.max(0, digits - whole)), prefix };
}

/** How a value is shown beside its unit; volts and amperes keep plain decimals, ohms take a prefix. */
export function quantity(value: number, unit: string): string {
  if (unit === "ohm") {
    if (Math.abs(value) < 0.05) return "0 Ω";
    const { number, prefix } = engineering(value);
    return `${number} ${prefix}Ω`;
  }
  if (unit === "F") {
    if (Math.abs(value) < 5e-13) return "0 F";
    const { number, prefix } = engineering(value);
    return `${number} ${prefix}F`;
  }
  if (unit === "") return String(value);
  return `${decimal(value)} ${unit}`;
}

/** Plain decimals as a meter shows them: 121, 13.4, 0.02. */
export function decimal(value: number): string {
  const size = Math.abs(value);
  if (size < 0.005) return "0";
  return value.toFixed(digitsOf(size));
}

/** A figure as a plate prints it: three digits that count, no zeros behind the point. */
export function plainNumber(value: number): string {
  return String(Math.abs(value) >= 100 ? Math.round(value) : Number(value.toPrecision(3)));
}

/** What was shown, as a short text. */
export function readingText(shown: Reading, unit: string): string {
  switch (shown.kind) {
    case "value":
      return quantity(shown.value, unit);
    case "overload":
      return "OL";
    case "beep":
      return shown.beeps ? "beeps" : say.noBeep;
    case "label":
      return shown.label;
    case "jumping":
      return unit === "F"
        ? `${quantity(shown.low, unit)}–${quantity(shown.high, unit)} ${shown.manner}`
        : `${decimal(shown.low)}–${decimal(shown.high)} ${unit === "ohm" ? "Ω" : unit} ${shown.manner}`;
  }
}

/** A name inside a sentence: its first letter small, unless it is a mark such as "J2" or "13 V". */
export function inSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}

/** Digits after the point that a reading of this size is worth. */
function digitsOf(size: number): number {
  if (size >= 100) return 0;
  if (size >= 10) return 1;
  return 2;
}
