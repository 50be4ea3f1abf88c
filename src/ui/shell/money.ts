import { NO_CURRENCY } from "../../contract/shop";

/** Says amounts in a currency. */
export function moneyIn(code: string): (amount: number) => string {
  if (code === NO_CURRENCY) return (amount) => String(Math.round(amount));
  const format = new Intl.NumberFormat("en", { style: "currency", currency: code, maximumFractionDigits: 0 });
  return (amount) => format.format(amount);
}
