import { z } from "zod";
import { METRIC, readEngineering, readQuantity } from "../quantity";
import { say } from "#words/core/model/scalar";

/**
 * Scalars of a machine file. YAML scalars arrive as strings, never coerced (a code `010` or a version `1.10`
 * must stay what it is), so numbers are read here; a JSON file may give them as numbers.
 */
const numberText = z
  .string()
  .max(40)
  .regex(/^[+-]?[\d.,]+(?:[eE][+-]?\d{1,3})?\s*(?:[pnuµmkKMGR]\d*)?$/, say.isNoNumber);

const numberOrText = z.union([numberText, z.number()]);

/** A number within limits; 4k7 and 4700 are the same. */
export function number(limits: { min?: number; max?: number; above?: number } = {}) {
  return numberOrText.transform((raw, ctx) => {
    const value = typeof raw === "number" ? raw : readEngineering(raw)?.value;
    if (value === undefined || !Number.isFinite(value)) {
      ctx.addIssue({ code: "custom", message: say.isNoNumber });
      return z.NEVER;
    }
    const { min, max, above } = limits;
    if (above !== undefined && value <= above) ctx.addIssue({ code: "custom", message: say.mustBeAbove(above) });
    if (min !== undefined && value < min) ctx.addIssue({ code: "custom", message: say.mustBeAtLeast(min) });
    if (max !== undefined && value > max) ctx.addIssue({ code: "custom", message: say.mustBeAtMost(max) });
    return value;
  });
}

/** A wire's size as printed on it, "1.5 mm2" or "16 AWG", in square millimetres. */
export const gauge = once(() =>
  z.union([z.string().min(1).max(20), z.number()]).transform((raw, ctx) => {
    if (typeof raw === "number" && raw > 0 && raw <= MOST_AREA) return raw;
    const read = typeof raw === "string" ? readQuantity(raw, "area", METRIC) : null;
    if (read?.ok && read.value > 0 && read.value <= MOST_AREA) return read.value;
    ctx.addIssue({ code: "custom", message: say.isNoGauge });
    return z.NEVER;
  }),
);
/** Square millimetres of the thickest wire inside a machine. */
const MOST_AREA = 120;

/** yes / no, as a file says it. */
export const yesNo = z
  .union([z.enum(["yes", "no", "true", "false"]), z.boolean()])
  .transform((v) => v === true || v === "yes" || v === "true");

/** An identifier: letters, digits, dash, dot, underscore. */
export const id = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, say.mayHoldLettersDigitsDot);

/** A line of text for people. */
export const words = z.string().trim().min(1).max(400);

/** Makes something when it is first asked for: schemas take long to build, and most pages read no file. */
export function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
