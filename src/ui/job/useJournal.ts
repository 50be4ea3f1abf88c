"use client";

import { useCallback, useMemo, useRef, useState, type RefObject } from "react";
import { decide } from "../../core/journal/decide";
import type { EventBody, JournalEvent } from "../../core/journal/events";
import type { Job } from "../../core/journal/fold";
import { jobOn } from "../../core/journal/job";
import { ledgerOf } from "../../core/journal/ledger";
import type { Machine } from "../../core/model/machine";
import { sendOnce } from "../shell/send";
import { logEntry } from "../../contract/jobs";
import { tellNews } from "../shell/useNews";

/** The job as folded from its journal, and the way to add to it. */
export interface JournalDesk {
  readonly job: Job;
  /** The job as it will be once the journal has what is on its way; null when nothing is. The journal may still refuse it. */
  readonly coming: Job | null;
  readonly sending: boolean;
  readonly problem: string;
  /**
   * Adds an event; true when the journal has it. Entries are written one after the other; when one is refused, those behind it are not
   * written either. A second try of the same body keeps its id, so it is logged once.
   */
  log(body: EventBody): Promise<boolean>;
  /** Why the journal would refuse this, as far as it is known here, by the very rule by which the server decides; null when it would not. `unit` is the machine with what was found on it. */
  refusal(body: EventBody, unit: Machine): string | null;
  /** The job as it would be with this event: what `log` of the same body will make of it. */
  foretell(body: EventBody): Job;
}

/** Said of what was entered on the advice that followed from an entry which could not be written. */
const EITHER = "What was entered after it was not written either; it stands in its field.";

/** `foresee` is told at once what the job will be, before anything is drawn. */
export function useJournal(
  machine: Machine,
  initial: readonly JournalEvent[],
  actor: string,
  foresee?: RefObject<((coming: Job) => void) | null>,
): JournalDesk {
  const [events, setEvents] = useState(initial);
  const [problem, setProblem] = useState("");
  const [underWay, setUnderWay] = useState<readonly JournalEvent[]>([]);
  const job = useMemo(() => jobOn(machine, events), [machine, events]);
  const coming = useMemo(
    () => (underWay.length > 0 ? jobOn(machine, joined(events, underWay)) : null),
    [machine, events, underWay],
  );
  // The same between two renders: what is known to be written, what is on its way and how each of it ends, in order.
  const known = useRef(initial);
  const queue = useRef<readonly { readonly event: JournalEvent; readonly done: Promise<boolean> }[]>([]);
  const ids = useRef(new Map<string, string>());

  /** The event that a body becomes; until it is written the same body has the same id. */
  const eventOf = useCallback(
    (body: EventBody): JournalEvent => {
      const content = JSON.stringify([actor, body]);
      const id = ids.current.get(content) ?? crypto.randomUUID();
      ids.current.set(content, id);
      return {
        id,
        job: job.id,
        seq: known.current.reduce((most, e) => Math.max(most, e.seq), 0) + queue.current.length + 1,
        v: 1,
        at: new Date().toISOString(),
        actor,
        body,
      };
    },
    [actor, job.id],
  );

  const withEvent = useCallback(
    (event: JournalEvent) => jobOn(machine, joined(known.current, [...queue.current.map((q) => q.event), event])),
    [machine],
  );

  const log = useCallback(
    (body: EventBody): Promise<boolean> => {
      const next = eventOf(body);
      const { id } = next;
      const before = queue.current;
      const already = before.find((q) => q.event.id === id);
      if (already) return already.done;
      const write = () => sendOnce(logEntry, [next.job], { id, v: 1, actor, body });
      // The first is sent in this very moment: what follows from it is reckoned while it is on its way.
      const written =
        before.length === 0
          ? write()
          : before.at(-1)!.done.then((ok) => {
              if (!ok) throw new Error(EITHER);
              return write();
            });
      const leave = () => {
        queue.current = queue.current.filter((q) => q.event.id !== id);
        setUnderWay(queue.current.map((q) => q.event));
      };
      const done = written.then(
        ({ event }) => {
          for (const [content, own] of ids.current) if (own === id) ids.current.delete(content);
          known.current = joined(known.current, [event]);
          setEvents(known.current);
          leave();
          // What hangs on the journal elsewhere on the screen (what is waited for) looks again.
          tellNews();
          return true;
        },
        (error: Error) => {
          setProblem((before) =>
            error.message !== EITHER ? error.message : before.includes(EITHER) ? before : `${before} ${EITHER}`,
          );
          leave();
          return false;
        },
      );
      foresee?.current?.(withEvent(next));
      queue.current = [...before, { event: next, done }];
      setUnderWay(queue.current.map((q) => q.event));
      setProblem("");
      return done;
    },
    [actor, foresee, eventOf, withEvent],
  );

  const foretell = useCallback((body: EventBody) => withEvent(eventOf(body)), [withEvent, eventOf]);

  const ledger = useMemo(() => ledgerOf(job.id, events), [job.id, events]);
  const refusal = useCallback(
    (body: EventBody, unit: Machine) => {
      const event = { id: job.id, v: 1 as const, actor, body };
      const decision = decide(ledger, { file: machine.file, machine: unit }, event);
      return decision.kind === "refused" ? decision.sentence : null;
    },
    [ledger, machine, actor, job.id],
  );

  return { job, coming, sending: underWay.length > 0, problem, log, refusal, foretell };
}

/** A journal with further events, each of them once. */
function joined(events: readonly JournalEvent[], further: readonly JournalEvent[]): readonly JournalEvent[] {
  const fresh = further.filter((f) => !events.some((e) => e.id === f.id));
  return fresh.length === 0 ? events : [...events, ...fresh];
}
