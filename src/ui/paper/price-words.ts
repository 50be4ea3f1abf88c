import type { QuotedOption } from "../../contract/paper";
import { say } from "#words/ui/paper";

/** The price as it is said to the customer. */
export function priceWords(
  { price, warranty }: { readonly price: number | null; readonly warranty: boolean },
  money: (amount: number) => string,
): string {
  if (warranty) return say.inWarranty;
  return price === null ? say.noPrice : money(price);
}

/** How likely it lasts, and when the part is there. */
export const chanceWords = ({ holds, days }: QuotedOption): string =>
  `${say.chance(Math.round(100 * holds))}, ${days === 0 ? say.atOnce : say.inDays(days)}`;
