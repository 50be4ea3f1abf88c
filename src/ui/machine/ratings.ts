import { type Part, plainFields } from "../../core/model";
import { engineering } from "../../core/quantity";

/** Fields that are no ratings. */
const LEFT_OUT = new Set([
  "keys",
  "inputs",
  "outputs",
  "modes",
  "moves",
  "gestures",
  "codes",
  "display",
  "lamps",
  "keepsMode",
  "connector",
  "rail",
  "heats",
  "colour",
  "of",
  "lamp",
  "shows",
  "by",
  "when",
]);

/** A part's plain fields in one line: "volts 120, watts 325". */
export function ratingsOf(part: Part): string {
  return plainFields(part)
    .filter(([name]) => !LEFT_OUT.has(name))
    .map(([name, value]) => `${words(name)} ${typeof value === "number" ? plainNumber(value) : String(value)}`)
    .join(", ");
}

/** "windingOhms" as "winding ohms". */
export function words(field: string): string {
  return field.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
}

function plainNumber(value: number): string {
  if (value === 0 || (Math.abs(value) >= 0.01 && Math.abs(value) < 10_000)) return String(Number(value.toPrecision(4)));
  const { number, prefix } = engineering(value);
  return `${Number(number)} ${prefix}`.trim();
}
