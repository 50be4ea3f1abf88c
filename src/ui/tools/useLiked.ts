"use client";

import { useCallback, useMemo } from "react";
import { type Liked, METRIC } from "../../core/quantity";
import { useKept } from "../shell/useKept";

/** The units this person likes, kept in this browser. */
export function useLiked(): [Liked, (liked: Liked) => void] {
  const [kept, keep] = useKept("unzo.units");
  const liked = useMemo(
    (): Liked => ({
      temperature: kept.includes("°F") ? "°F" : "°C",
      wire: kept.includes("AWG") ? "AWG" : "mm²",
      length: kept.includes("inches") ? "inches" : "metric",
    }),
    [kept],
  );
  const set = useCallback(
    (next: Liked) =>
      keep(
        Object.entries(next)
          .filter(([key, value]) => METRIC[key as keyof Liked] !== value)
          .map(([, value]) => value)
          .join(" "),
      ),
    [keep],
  );
  return [liked, set];
}
