"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type * as Comlink from "comlink";
import type { IsolationDesk } from "../../workers/isolation-desk";

/** An engine at work in a worker; `id` tells one from another, a remote itself cannot be compared. */
export interface Desk {
  readonly id: number;
  readonly remote: Comlink.Remote<IsolationDesk>;
}

/** What an engine can be asked with nothing but plain data, by the name of the question. */
type Questions = {
  [
    K in keyof IsolationDesk as IsolationDesk[K] extends (...args: never) => unknown ? K : never
  ]: IsolationDesk[K] extends (...args: infer A) => infer R ? { readonly args: A; readonly answer: Awaited<R> } : never;
};

export interface Answer<T> {
  /** Undefined until it is there; where `keep` is asked for, what was answered to the question before. */
  readonly value: T | undefined;
  /** Why there is no answer, as a sentence; empty while there may be one. */
  readonly problem: string;
  /** Whether `value` is of the question before. */
  readonly stale: boolean;
}

/**
 * Asks an engine. The question is its key, so the same one is asked once however many ask it; null: nothing is asked.
 * `keep`: what was
 * answered before stays until the new answer is there.
 */
export function useEngine<K extends keyof Questions>(
  desk: Desk | null,
  method: K,
  args: Questions[K]["args"] | null,
  keep = false,
): Answer<Questions[K]["answer"]> {
  const { data, error, isPlaceholderData } = useQuery({
    queryKey: ["engine", desk?.id, method, args],
    enabled: desk !== null && args !== null,
    queryFn: async () => {
      const ask = desk!.remote[method] as unknown as (...args: never[]) => Promise<Questions[K]["answer"] | undefined>;
      // A query may not be undefined; the engine's questions that have no answer say null.
      return (await ask(...(args as never[]))) ?? (null as Questions[K]["answer"]);
    },
    ...(keep ? { placeholderData: keepPreviousData } : {}),
  });
  return { value: data as Questions[K]["answer"] | undefined, problem: error?.message ?? "", stale: isPlaceholderData };
}
