"use client";

import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Refused } from "../shell/send";

/** Waits before something that may be answered in a moment is asked again, milliseconds. */
const AGAIN = [300, 1000];

/** What was asked of the engine and of the server, and what they answered, kept for the page that asks. */
export function Queries({ children }: { children: ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        defaultOptions: {
          queries: {
            // An answer of the engine holds for ever: its question is its key. What the server answers says itself
            // how long it holds.
            staleTime: Infinity,
            gcTime: 60_000,
            retry: (failed, error) => error instanceof Refused && error.again && failed < AGAIN.length,
            retryDelay: (failed) => AGAIN[failed] ?? 1000,
            refetchOnWindowFocus: false,
            refetchOnReconnect: false,
          },
        },
      }),
  );
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}
