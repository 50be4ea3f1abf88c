"use client";

import { useEffect, useMemo, useState } from "react";
import type { Job } from "../../core/journal";
import { type RestRule, restUntil } from "../../core/schedule";
import { useEngine, type Desk } from "../engine/useEngine";

/** The rest of a compressor: until when it may not be started, and which setups would start it. */
export interface Rest {
  /** The moment, milliseconds; null: it needs no rest now. */
  readonly until: number | null;
  readonly minutes: number;
  starts(setup: string): boolean;
}

/** The compressor's rest after what this job has run. It counts where it is shown; here one looks again only when it is over. */
export function useRest(desk: Desk | null, job: Job, known: RestRule | null): Rest {
  const { value } = useEngine(desk, "rest", known ? null : []);
  const rule = known ?? value;
  const until = useMemo(() => {
    const stays = job.stays.map((s) => ({ setup: s.setup, from: Date.parse(s.at) }));
    return rule ? restUntil(rule, stays) : null;
  }, [rule, job.stays]);
  const [over, setOver] = useState<number | null>(null);
  useEffect(() => {
    if (until === null) return;
    const timer = setTimeout(() => setOver(until), Math.max(0, until - Date.now()));
    return () => clearTimeout(timer);
  }, [until]);
  return {
    until: over === until ? null : until,
    minutes: rule?.minutes ?? 0,
    starts: (setup) => rule?.running.includes(setup) ?? false,
  };
}
