"use client";

import { createContext, useContext, type ReactNode } from "react";
import { NO_CURRENCY } from "../../contract/shop";

const Shop = createContext<string>(NO_CURRENCY);

/** The shop's currency, ISO 4217, for every amount below. */
export function Currency({ code, children }: { readonly code: string; readonly children: ReactNode }) {
  return <Shop value={code}>{children}</Shop>;
}

/** Says an amount in the shop's currency, without cents; the bare number while none is named. */
export function useMoney(): (amount: number) => string {
  return moneyIn(useContext(Shop));
}

/** Says amounts in a currency. */
export function moneyIn(code: string): (amount: number) => string {
  if (code === NO_CURRENCY) return (amount) => String(Math.round(amount));
  const format = new Intl.NumberFormat("en", { style: "currency", currency: code, maximumFractionDigits: 0 });
  return (amount) => format.format(amount);
}
