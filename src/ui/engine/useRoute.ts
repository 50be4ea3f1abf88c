"use client";

import type { z } from "zod";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { addressOf, type AnswerOf, type Endpoint, type PartsOf } from "../../contract/endpoint";
import { read } from "../shell/send";
import type { Answer } from "./useEngine";

interface How {
  /** Asked again every so many milliseconds. */
  readonly every?: number;
  /** Asked again when this changes. */
  readonly news?: unknown;
}

/** Reads from the server; `parts` null: nothing is read. What was read before stays until the new answer is there. */
export function useRoute<E extends Endpoint>(
  endpoint: E,
  parts: PartsOf<E> | null,
  { every, news }: How = {},
): Answer<AnswerOf<E>> {
  const address = parts === null ? null : addressOf(endpoint, parts);
  const { data, error, isPlaceholderData } = useQuery({
    queryKey: ["route", address, news],
    enabled: address !== null,
    queryFn: ({ signal }) => read(address!, endpoint.answer as z.ZodType<AnswerOf<E>>, signal),
    placeholderData: keepPreviousData,
    // What the server says holds as long as the page asks for it; opened again it is asked again.
    staleTime: 0,
    ...(every === undefined ? {} : { refetchInterval: every, refetchIntervalInBackground: false }),
    refetchOnWindowFocus: every !== undefined,
  });
  return { value: data, problem: error?.message ?? "", stale: isPlaceholderData };
}
