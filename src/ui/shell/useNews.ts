"use client";

import { useSyncExternalStore } from "react";

let logged = 0;
const listeners = new Set<() => void>();

/** Tells whatever hangs on a journal elsewhere on the screen that an entry was written. */
export function tellNews(): void {
  logged++;
  listeners.forEach((tell) => tell());
}

/** A number that changes whenever an entry was written. */
export function useNews(): number {
  return useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => logged,
    () => 0,
  );
}
