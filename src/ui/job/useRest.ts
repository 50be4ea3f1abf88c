"use client";

import { useMemo } from "react";
import type { Job } from "../../core/journal";
import { restLeft } from "../../core/schedule";
import { useEngine, type Desk } from "../engine/useEngine";
import { useNow } from "../shell/useNow";

/** The rest of the compressor as it runs down: seconds left before it may be started, and the setups that start it. */
export function useRest(desk: Desk | null, job: Job): { readonly left: number; starts(setup: string): boolean } {
  const { value: rule } = useEngine(desk, "rest", []);
  const stays = useMemo(() => job.stays.map((s) => ({ setup: s.setup, from: Date.parse(s.at) })), [job.stays]);
  // Only what has run counts down, and only until it has: before and after it there is nothing to look at.
  const [ran, lastRan] = useMemo(() => {
    const running = stays.filter((s) => rule?.running.has(s.setup));
    return [running.length > 0, stays.at(-1)?.from ?? 0];
  }, [stays, rule]);
  const now = useNow(ran);
  const left = rule && ran ? restLeft(rule, stays, Math.max(now, lastRan)) : 0;
  return { left, starts: (setup) => rule?.running.has(setup) ?? false };
}

export const clockOf = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
