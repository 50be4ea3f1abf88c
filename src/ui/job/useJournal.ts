"use client";

import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from "react";
import { v4 as uuid } from "uuid";
import type { EventBody, JournalEvent } from "../../core/journal/events";
import type { Job } from "../../core/journal/fold";
import { jobOn } from "../../core/journal/job";
import type { Machine } from "../../core/machine/compile";
import { send } from "../shell/send";

/** The job as folded from its journal, and the way to add to it. */
export interface JournalDesk {
  readonly job: Job;
  /** The job as it will be once the journal has what is on its way; null when nothing is. The journal may still refuse it. */
  readonly coming: Job | null;
  readonly sending: boolean;
  readonly problem: string;
  /** Adds an event; true when the journal has it. A second try of the same body keeps its id, so it is logged once. */
  log(body: EventBody): Promise<boolean>;
}

/** `foresee` is told at once what the job will be, before anything is drawn. */
export function useJournal(machine: Machine, initial: readonly JournalEvent[], actor: string, foresee?: RefObject<((coming: Job) => void) | null>): JournalDesk {
  const [events, setEvents] = useState(initial);
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState("");
  const unsent = useRef<{ id: string; content: string } | null>(null);
  const [underWay, setUnderWay] = useState<JournalEvent | null>(null);
  const job = useMemo(() => jobOn(machine, events), [machine, events]);
  const coming = useMemo(() => (underWay ? jobOn(machine, [...events, underWay]) : null), [machine, events, underWay]);
  const latest = useRef({ events, lastSeq: job.lastSeq });
  useEffect(() => { latest.current = { events, lastSeq: job.lastSeq }; });

  const log = useCallback(async (body: EventBody) => {
    const content = JSON.stringify([actor, body]);
    if (unsent.current?.content !== content) unsent.current = { id: uuid(), content };
    setSending(true);
    setProblem("");
    const next: JournalEvent = { id: unsent.current.id, job: job.id, seq: latest.current.lastSeq + 1, v: 1, at: new Date().toISOString(), actor, body };
    setUnderWay(next);
    try {
      const written = send<{ event: JournalEvent }>(`/api/jobs/${job.id}/events`, { id: unsent.current.id, v: 1, actor, body });
      // While it is on its way.
      foresee?.current?.(jobOn(machine, [...latest.current.events, next]));
      const { event } = await written;
      unsent.current = null;
      setEvents((known) => (known.some((e) => e.id === event.id) ? known : [...known, event]));
      // What hangs on the journal elsewhere on the screen (what is waited for) looks again.
      window.dispatchEvent(new Event("unzo:logged"));
      return true;
    } catch (error) {
      setProblem((error as Error).message);
      return false;
    } finally {
      setUnderWay(null);
      setSending(false);
    }
  }, [actor, job.id, machine, foresee]);

  return { job, coming, sending, problem, log };
}
