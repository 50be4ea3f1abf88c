"use client";

import { useEffect, useMemo, useState } from "react";
import type { Job } from "../../core/journal/fold";
import { restLeft, type RestRule } from "../../core/schedule/rest";
import type { Desk } from "../shell/useDesk";

/** The rest of the compressor as it runs down: seconds left before it may be started, and the setups that start it. */
export function useRest(desk: Desk | null, job: Job): { readonly left: number; starts(setup: string): boolean } {
  const [rule, setRule] = useState<RestRule | null>(null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!desk) return;
    let current = true;
    desk.rest().then(
      (found) => {
        if (current) setRule(found);
      },
      () => {},
    );
    return () => {
      current = false;
    };
  }, [desk]);
  const stays = useMemo(() => job.stays.map((s) => ({ setup: s.setup, from: Date.parse(s.at) })), [job.stays]);
  const left = rule ? restLeft(rule, stays, now) : 0;
  const runs = left > 0;
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [runs, stays]);
  return { left, starts: (setup) => rule?.running.has(setup) ?? false };
}

export const clockOf = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
