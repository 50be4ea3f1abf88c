"use client";

import { useSearchParams } from "next/navigation";
import { useCallback } from "react";

/**
 * A choice that stands in the address, so that back, reload and a sent link return to it; empty where it is the usual
 * one. Choosing is a step of the history, and asks the server nothing.
 */
export function useAddress(name: string): readonly [string, (value: string) => void] {
  const value = useSearchParams().get(name) ?? "";
  const set = useCallback(
    (next: string) => {
      const address = new URL(window.location.href);
      if ((address.searchParams.get(name) ?? "") === next) return;
      if (next === "") address.searchParams.delete(name);
      else address.searchParams.set(name, next);
      window.history.pushState(null, "", address);
    },
    [name],
  );
  return [value, set];
}
