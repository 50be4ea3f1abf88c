"use client";

import { secondsUntilRest } from "../../core/schedule";
import { clockOf } from "../shell/time";
import { useNow } from "../shell/useNow";

/** What is left of a rest, second by second. */
export function RestClock({ until, minutes }: { until: number; minutes: number }) {
  return <>{clockOf(secondsUntilRest(minutes, until, useNow(true)))}</>;
}
