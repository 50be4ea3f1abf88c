"use client";

import { createContext, useContext, type ReactNode } from "react";
import { NO_CURRENCY } from "../../contract/shop";
import { moneyIn } from "./money";

const Shop = createContext<string>(NO_CURRENCY);

/** The shop's currency, ISO 4217, for every amount below. */
export function Currency({ code, children }: { readonly code: string; readonly children: ReactNode }) {
  return <Shop value={code}>{children}</Shop>;
}

/** Says an amount in the shop's currency, without cents; the bare number while none is named. */
export function useMoney(): (amount: number) => string {
  return moneyIn(useContext(Shop));
}
