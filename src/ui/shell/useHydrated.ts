"use client";

import { useSyncExternalStore } from "react";

const nothing = () => () => {};

/** Whether the page has come to life: what the server drew can be seen before keys and buttons answer. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
}
