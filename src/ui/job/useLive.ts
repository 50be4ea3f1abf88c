"use client";

import { useEffect, useEffectEvent } from "react";
import { liveAddress, liveSchema } from "../../contract/entries";
import type { JournalEvent, RawEvent } from "../../core/journal";

/** After the server refused or was lost, asked again so much later, milliseconds. */
const AGAIN = 2000;

/**
 * Follows the journal of a job while the page is looked at: a page in the background needs no news, and browsers
 * allow few open streams.
 * Back in front it goes on after the last entry it has.
 */
export function useLive(job: string, lastSeq: () => number, onEntry: (entry: JournalEvent | RawEvent) => void): void {
  const take = useEffectEvent((data: string) => {
    const entry = liveSchema.safeParse(JSON.parse(data));
    // What is neither is of a later program: the page is told so by its own next look at the server.
    if (entry.success) onEntry(entry.data);
  });
  const from = useEffectEvent(lastSeq);
  useEffect(() => {
    let source: EventSource | null = null;
    let later: ReturnType<typeof setTimeout> | undefined;
    const stop = () => {
      clearTimeout(later);
      source?.close();
      source = null;
    };
    const begin = () => {
      stop();
      if (document.visibilityState !== "visible") return;
      source = new EventSource(liveAddress(job, from()));
      source.onmessage = (message) => take(String(message.data));
      source.onerror = () => {
        // A stream that broke is taken up again by the browser itself; one that was refused is closed for good.
        if (source?.readyState === EventSource.CLOSED) later = setTimeout(begin, AGAIN);
      };
    };
    begin();
    document.addEventListener("visibilitychange", begin);
    window.addEventListener("online", begin);
    return () => {
      stop();
      document.removeEventListener("visibilitychange", begin);
      window.removeEventListener("online", begin);
    };
  }, [job]);
}
