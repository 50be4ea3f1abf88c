"use client";

import { useEffect, useRef, useState } from "react";
import { useRouter } from "next/navigation";
import { NO_CURRENCY, setRates, type Rates } from "../../contract/shop";
import { USUAL_RATES } from "../../core/repair";
import { METRIC, readQuantity } from "../../core/quantity";
import { sendOnce } from "../shell/send";

/** The hand must rest so long before a rate is kept, milliseconds. */
const PAUSE = 700;

/** What the shop reckons with, as typed: kept for everybody who works here once the hand rests. */
export function useShopRates(known: Rates | null, actor: string) {
  const [minute, setMinute] = useState(known ? plain(known.hour / 60) : "");
  const [back, setBack] = useState(known ? plain(known.callback) : "");
  const [currency, setCurrency] = useState(known?.currency ?? NO_CURRENCY);
  const [problem, setProblem] = useState("");
  const router = useRouter();
  const perMinute = money(minute, USUAL_RATES.perMinute);
  const comeBack = money(back, USUAL_RATES.comeBack);
  const kept = useRef(known);
  useEffect(() => {
    const rates = { hour: perMinute * 60, callback: comeBack, currency };
    const isKept = kept.current
      ? kept.current.hour === rates.hour &&
        kept.current.callback === rates.callback &&
        kept.current.currency === currency
      : perMinute === USUAL_RATES.perMinute && comeBack === USUAL_RATES.comeBack && currency === NO_CURRENCY;
    if (isKept) return;
    const timer = setTimeout(() => {
      sendOnce(setRates, [], { id: crypto.randomUUID(), actor, ...rates }).then(
        (now) => {
          // Every page says amounts in the shop's currency: it is read anew.
          const isNew = (kept.current?.currency ?? NO_CURRENCY) !== now.currency;
          kept.current = now;
          setProblem("");
          if (isNew) router.refresh();
        },
        (error: Error) => setProblem(error.message),
      );
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [perMinute, comeBack, currency, actor, router]);
  return { minute, setMinute, back, setBack, currency, setCurrency, perMinute, comeBack, problem };
}

const plain = (value: number) => String(Number(value.toFixed(4)));

/** An amount of money as typed; what is usual where it cannot be read. */
export function money(typed: string, usual: number): number {
  const read = readQuantity(typed, "money", METRIC);
  return read.ok && read.value >= 0 ? read.value : usual;
}
