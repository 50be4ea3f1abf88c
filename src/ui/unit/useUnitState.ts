"use client";

import { useEffect, useState } from "react";
import type { UnitState } from "../../server/units";

/** How often the server is asked how the unit stands, and how long an answer counts, milliseconds. */
const ASK_EVERY = 5000;
const GOOD_FOR = 20_000;

/** How a unit stands as all who work on it have said; `stale` when nothing was heard for a while: then it may stand otherwise. */
export function useUnitState(
  unit: string,
  first: UnitState | null,
): { readonly state: UnitState | null; readonly stale: boolean } {
  const [state, setState] = useState(first);
  const [stale, setStale] = useState(false);
  useEffect(() => {
    let heard = Date.now();
    let current = true;
    const ask = () => {
      fetch(`/api/units/${unit}`, { signal: AbortSignal.timeout(ASK_EVERY) })
        .then((r) => (r.ok ? (r.json() as Promise<{ state: UnitState | null }>) : Promise.reject(new Error("refused"))))
        .then(
          (answer) => {
            if (!current) return;
            heard = Date.now();
            setState(answer.state);
            setStale(false);
          },
          () => {
            if (current) setStale(Date.now() - heard > GOOD_FOR);
          },
        );
    };
    const again = setInterval(ask, ASK_EVERY);
    // A page that comes back to the front, or whose computer slept, has not heard anything meanwhile.
    const back = () => {
      if (document.visibilityState !== "visible") return;
      setStale(Date.now() - heard > GOOD_FOR);
      ask();
    };
    document.addEventListener("visibilitychange", back);
    window.addEventListener("unzo:logged", ask);
    window.addEventListener("focus", back);
    return () => {
      current = false;
      clearInterval(again);
      document.removeEventListener("visibilitychange", back);
      window.removeEventListener("unzo:logged", ask);
      window.removeEventListener("focus", back);
    };
  }, [unit]);
  return { state, stale };
}
