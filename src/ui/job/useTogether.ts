"use client";

import { useEffect, useState } from "react";

/** Milliseconds for which what was entered waits for what follows from it; then it is shown alone; estimate E36. */
const HOLD = 150;

/**
 * `value` once what follows from it `isReady`, the one before until then: both come to the screen in one step, so
 * that nothing moves twice, and the page is laid out once.
 */
export function useTogether<T>(value: T, isReady: boolean): T {
  const [shown, setShown] = useState(value);
  if (isReady && shown !== value) setShown(value);
  useEffect(() => {
    if (isReady) return;
    const timer = setTimeout(() => setShown(value), HOLD);
    return () => clearTimeout(timer);
  }, [value, isReady]);
  return isReady ? value : shown;
}
