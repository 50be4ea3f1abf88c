"use client";

import { useEffect, useState } from "react";

/** The moment, milliseconds, renewed every `every` while something `runs`; whoever draws it is alone redrawn by it. */
export function useNow(runs: boolean, every = 1000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(timer);
  }, [runs, every]);
  return now;
}
