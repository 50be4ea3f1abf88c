"use client";

import { useCallback, useSyncExternalStore } from "react";

/**
 * A text that survives a reload, in the browser's own store; empty where the store is closed. `drawn`: what the server
 * takes it for.
 */
export function useKept(key: string, drawn = ""): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => drawn,
  );
  const keep = useCallback(
    (next: string) => {
      try {
        if (next === "") localStorage.removeItem(key);
        else localStorage.setItem(key, next);
      } catch {
        /* private windows have no store; typing still works until reload */
      }
      memory.set(key, next);
      listeners.forEach((tell) => tell());
    },
    [key],
  );
  return [value, keep];
}

/** The same at this moment, for what is not drawn. */
export const keptNow = (key: string): string => read(key);

const memory = new Map<string, string>();
const listeners = new Set<() => void>();

function subscribe(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

function read(key: string): string {
  if (!memory.has(key)) {
    try {
      memory.set(key, localStorage.getItem(key) ?? "");
    } catch {
      memory.set(key, "");
    }
  }
  return memory.get(key)!;
}
