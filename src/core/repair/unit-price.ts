import { say } from "#words/core/repair/unit-price";

/** What is keyed in for a price or a time, or why it cannot be. */
export type Keyed = { readonly ok: true; readonly units: number } | { readonly ok: false; readonly words: string };

/** A price may miss a whole number of units by the rounding of its decimals and no more. */
const ROUNDING = 1e-6;

/**
 * How many units a price is keyed in as: the price over the smallest unit, a whole number of them, no more than the
 * module takes. Prices of a module that counts in units of its smallest coin (a scale factor, common practice).
 */
export function unitsOf(price: number, { unit, most, sign }: { unit: number; most: number; sign: string }): Keyed {
  if (!(price >= 0)) return { ok: false, words: say.typeAPrice };
  const units = Math.round(price / unit);
  if (Math.abs(price / unit - units) > ROUNDING) {
    const below = Math.floor(price / unit) * unit;
    return { ok: false, words: say.noWholeNumber(plain(unit), sign, plain(below), plain(below + unit)) };
  }
  if (units > most) return { ok: false, words: say.moreThanItTakes(plain(most * unit), sign, most) };
  return { ok: true, units };
}

const plain = (value: number) => String(Number(value.toFixed(4)));
