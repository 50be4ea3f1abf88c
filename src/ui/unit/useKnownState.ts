"use client";

import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { unitNow, type KnownState } from "../../contract/units";
import { read } from "../shell/send";
import { useNews } from "../shell/useNews";
import { useNow } from "../shell/useNow";

/** How often the server is asked how the unit stands, and how long an answer counts, milliseconds. */
const ASK_EVERY = 5000;
const GOOD_FOR = 20_000;

/**
 * How a unit stands as all who work on it have said; `stale` when nothing was heard for a while: then it may stand
 * otherwise.
 */
export function useKnownState(
  unit: string,
  first: KnownState | null,
): { readonly state: KnownState | null; readonly stale: boolean } {
  const news = useNews();
  const { data, dataUpdatedAt, refetch } = useQuery({
    queryKey: ["unit", unit],
    queryFn: ({ signal }) =>
      read(unitNow.address(unit), unitNow.answer, AbortSignal.any([signal, AbortSignal.timeout(ASK_EVERY)])),
    initialData: { state: first, open: [] },
    // A page that comes back to the front, or whose computer slept, asks at once.
    staleTime: 0,
    refetchInterval: ASK_EVERY,
    refetchOnWindowFocus: "always",
    retry: false,
  });
  useEffect(() => {
    if (news > 0) void refetch();
  }, [news, refetch]);
  const now = useNow(true, ASK_EVERY);
  return { state: data.state, stale: now - dataUpdatedAt > GOOD_FOR };
}
