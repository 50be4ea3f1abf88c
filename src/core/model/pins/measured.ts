import { z } from "zod";
import { id, number, words, yesNo } from "../scalar";

/** A pin as the sheet numbers it: `J2-3`, `L`, `7`. */
export const pin = z.string().min(1).max(12);
export const pair = z.tuple([pin, pin]);

/** The state of a board that nothing feeds: its ohms are read in it. */
export const UNFED = "dead";

/** What somebody read between two pins of a good board, with what it was read. */
export const measuredRow = z.strictObject({
  between: pair,
  /** A state of its sheet, or `dead`. */
  state: id,
  function: z.enum(["dcv", "acv", "ohms"]),
  /** Volts or ohms; of what pulses the lowest. Left out: overload. */
  low: number({ min: -480, max: 1e8 }).optional(),
  /** The highest, of what pulses. */
  high: number({ min: -480, max: 1e8 }).optional(),
  overload: yesNo.default(false),
  /** The unit and the meter it was read on. */
  unit: words,
  meter: words,
  mains: number({ min: 0, max: 480 }).optional(),
  celsius: number({ min: -40, max: 80 }).optional(),
  by: words.optional(),
  on: z.iso.date().optional(),
});
export type Measured = z.output<typeof measuredRow>;

/** What good units showed between two pins in a state. */
export type Spread =
  /** From the lowest to the highest of so many units. */
  | { readonly kind: "steady"; readonly low: number; readonly high: number; readonly units: number }
  /** It pulses, between these: never averaged. */
  | { readonly kind: "pulsed"; readonly low: number; readonly high: number; readonly units: number }
  /** Some units show one value, some another: a mean of the two is shown by none. */
  | { readonly kind: "two values"; readonly values: readonly [number, number]; readonly units: number }
  | { readonly kind: "overload"; readonly units: number }
  /** Ohms through chips on several meters: each meter finds its own. */
  | { readonly kind: "not comparable"; readonly meters: readonly string[] };

/**
 * Share of its value by which sound boards differ at most, read with ordinary meters, before two of them count as two
 * values; common practice, no source.
 */
const ONE_VALUE = 0.25;
/** Volts or ohms below which a difference is none: leads, last digits. */
const NOTHING: Readonly<Record<Measured["function"], number>> = { dcv: 0.3, acv: 2, ohms: 1 };

/** What was read between two pins in a state, put together; null where nothing was. Takes the pins either way round. */
export function spreadOf(rows: readonly Measured[], between: readonly [string, string], state: string): Spread | null {
  const here = rows.flatMap((r) => {
    if (r.state !== state) return [];
    if (r.between[0] === between[0] && r.between[1] === between[1]) return [r];
    if (r.between[0] !== between[1] || r.between[1] !== between[0]) return [];
    return [turned(r)];
  });
  const [first] = here;
  if (!first) return null;
  const units = new Set(here.map((r) => r.unit)).size;
  const meters = [...new Set(here.map((r) => r.meter))];
  // Through electronics the polarity and the test volts of a meter decide what it finds: one meter only is compared.
  if (first.function === "ohms" && meters.length > 1) return { kind: "not comparable", meters };
  const values = here.flatMap((r) => (r.low === undefined ? [] : [r.low])).sort((a, b) => a - b);
  if (values.length === 0) return { kind: "overload", units };
  const pulsed = here.filter((r) => r.high !== undefined);
  if (pulsed.length > 0)
    return { kind: "pulsed", low: values[0]!, high: Math.max(...pulsed.map((r) => r.high!)), units };
  return steadyOrTwo(values, NOTHING[first.function], units);
}

/** One value with its spread, or two where the largest gap between neighbours is too wide for one. */
function steadyOrTwo(values: readonly number[], nothing: number, units: number): Spread {
  const [low, high] = [values[0]!, values.at(-1)!];
  const allowed = Math.max(nothing, ONE_VALUE * Math.max(Math.abs(low), Math.abs(high)));
  const gaps = values.slice(1).map((v, i) => v - values[i]!);
  const widest = gaps.indexOf(Math.max(...gaps));
  if (values.length < 2 || gaps[widest]! <= allowed) return { kind: "steady", low, high, units };
  return { kind: "two values", values: [mean(values.slice(0, widest + 1)), mean(values.slice(widest + 1))], units };
}

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

/** The same with its leads exchanged: what is direct changes its sign. */
function turned(r: Measured): Measured {
  if (r.function !== "dcv" || r.low === undefined) return r;
  if (r.high === undefined) return { ...r, low: -r.low };
  return { ...r, low: -r.high, high: -r.low };
}
