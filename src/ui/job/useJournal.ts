"use client";

import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState, type RefObject } from "react";
import {
  decide,
  type EventBody,
  type Job,
  jobOn,
  type JournalEvent,
  ledgerOf,
  RESTS_ON_BEFORE,
  type Unseen,
  unseenIn,
} from "../../core/journal";
import type { Machine } from "../../core/model";
import { read, sendOnce } from "../shell/send";
import { journalAfter, logEntry } from "../../contract/entries";
import { outboxOf, putInOutbox, takeFromOutbox } from "./outbox";
import { useLive } from "./useLive";
import { keptNow } from "../shell/useKept";
import { tellNews } from "../shell/useNews";
import { say } from "#words/ui/job/useJournal";

/** The job as folded from its journal, and the way to add to it. */
export interface JournalDesk {
  readonly job: Job;
  /**
   * The job as it will be once the journal has what is on its way; null when nothing is. The journal may still refuse
   * it.
   */
  readonly coming: Job | null;
  readonly sending: boolean;
  readonly problem: string;
  /** Entries that were written without knowing what came before them. */
  readonly unseen: Unseen;
  /**
   * Adds an event; true when the journal has it. Entries are written one after the other; when one is refused, those
   * behind it are not written either. A second try of the same body keeps its id, so it is logged once.
   */
  log(body: EventBody): Promise<boolean>;
  /**
   * Why the journal would refuse this, as far as it is known here, by the very rule by which the server decides; null
   * when it would not. `unit` is the machine with what was found on it.
   */
  refusal(body: EventBody, unit: Machine): string | null;
  /** The job as it would be with this event: what `log` of the same body will make of it. */
  foretell(body: EventBody): Job;
}

/** Who is told what. */
interface Told {
  readonly foresee?: RefObject<((coming: Job) => void) | null>;
  readonly onOther?: (entries: readonly JournalEvent[]) => void;
}

/** Said of what was entered on the advice that followed from an entry which could not be written. */
const EITHER = say.whatWasEnteredAfterIt;

/**
 * Whoever is at this browser writes, or `opener` where nobody has said a name here. `foresee` is told at once what the
 * job will be, before anything is drawn; `onOther` what somebody else has written.
 */
export function useJournal(
  machine: Machine,
  initial: readonly JournalEvent[],
  opener: string,
  { foresee, onOther }: Told = {},
): JournalDesk {
  // Entries without a gap: what decides and what is shown as written.
  const [events, setEvents] = useState(initial);
  const [problem, setProblem] = useState("");
  const [underWay, setUnderWay] = useState<readonly JournalEvent[]>([]);
  const job = useMemo(() => jobOn(machine, events), [machine, events]);
  const coming = useMemo(
    () => (underWay.length > 0 ? jobOn(machine, joined(events, underWay)) : null),
    [machine, events, underWay],
  );
  // The same between two renders: what is known to be written, what is written but stands after a gap, what is on its
  // way and how each
  // of it ends, in order.
  const known = useRef(initial);
  const aside = useRef<readonly JournalEvent[]>([]);
  const queue = useRef<readonly { readonly event: JournalEvent; readonly done: Promise<boolean> }[]>([]);
  /** Written by this browser a moment before the page was made anew. */
  const own = useRef<ReadonlySet<string>>(new Set());
  const drafts = useRef(new Map<string, { readonly id: string; after?: string }>());
  /** What the live stream brought of entries that are on their way still. */
  const heard = useRef(new Map<string, JournalEvent>());

  /** All there is: written, and on its way. */
  const all = useCallback(() => [...known.current, ...aside.current, ...queue.current.map((q) => q.event)], []);
  const lastSeq = useCallback(() => all().reduce((most, e) => Math.max(most, e.seq), 0), [all]);

  const show = useCallback(() => {
    setEvents(known.current);
    setUnderWay([...aside.current, ...queue.current.map((q) => q.event)]);
  }, []);

  /** Takes in entries that are written, in whatever order they come; those after a gap wait until it is filled. */
  const take = useCallback(
    (fresh: readonly JournalEvent[]) => {
      const waiting = joined(aside.current, fresh).filter((e) => !known.current.some((k) => k.id === e.id));
      const sorted = [...waiting].sort((a, b) => a.seq - b.seq);
      let last = known.current.at(-1)?.seq ?? 0;
      const next = sorted.filter((e) => e.seq === last + 1 && ++last > 0);
      known.current = [...known.current, ...next];
      aside.current = sorted.filter((e) => !next.includes(e));
      show();
      return next;
    },
    [show],
  );

  const isOwn = (id: string) =>
    own.current.has(id) ||
    queue.current.some((q) => q.event.id === id) ||
    [...drafts.current.values()].some((d) => d.id === id);
  useLive(
    job.id,
    () => known.current.at(-1)?.seq ?? 0,
    (entry) => {
      if ("raw" in entry) return setProblem(say.aNewerUnzoHasWritten);
      // Shown as written before its answer is here, the same once more would be taken for the first press of two.
      if (queue.current.some((q) => q.event.id === entry.id)) return void heard.current.set(entry.id, entry);
      const others = take([entry]).filter((e) => !isOwn(e.id));
      if (others.length === 0) return;
      tellNews();
      onOther?.(others);
    },
  );

  /**
   * The event that a body becomes; until it is written the same body has the same id. `isLogged`: it is written now,
   * on what is known now.
   */
  const eventOf = useCallback(
    (body: EventBody, isLogged: boolean): JournalEvent => {
      const actor = keptNow("unzo.who") || opener;
      const content = JSON.stringify([actor, body]);
      const draft = drafts.current.get(content) ?? { id: crypto.randomUUID() };
      drafts.current.set(content, draft);
      const before = all();
      if (isLogged && RESTS_ON_BEFORE.has(body.type)) draft.after ??= before.at(-1)?.id;
      return {
        id: draft.id,
        job: job.id,
        seq: lastSeq() + 1,
        v: 1,
        at: new Date().toISOString(),
        actor,
        body: draft.after === undefined ? body : ({ ...body, after: draft.after } as EventBody),
      };
    },
    [all, lastSeq, opener, job.id],
  );

  const withEvent = useCallback(
    (event: JournalEvent) =>
      jobOn(machine, joined(known.current, [...aside.current, ...queue.current.map((q) => q.event), event])),
    [machine],
  );

  /** Fetches what the journal has beyond what is known here. */
  const catchUp = useCallback(async () => {
    const from = known.current.at(-1)?.seq ?? 0;
    const missing = await read(journalAfter.address(job.id, String(from)), journalAfter.answer).catch(() => null);
    if (missing) take(missing.events);
  }, [job.id, take]);

  /** Writes an entry behind all that is on its way already. */
  const write = useCallback(
    (entry: JournalEvent): Promise<boolean> => {
      const { id } = entry;
      const before = queue.current;
      const already = before.find((q) => q.event.id === id);
      if (already) return already.done;
      putInOutbox(entry);
      const post = () => sendOnce(logEntry, [entry.job], { id, v: entry.v, actor: entry.actor, body: entry.body });
      // The first is sent in this very moment: what follows from it is reckoned while it is on its way.
      const written =
        before.length === 0
          ? post()
          : before.at(-1)!.done.then((ok) => {
              if (!ok) throw new Error(EITHER);
              return post();
            });
      const leave = (isWritten: boolean) => {
        takeFromOutbox(entry, isWritten);
        queue.current = queue.current.filter((q) => q.event.id !== id);
        heard.current.delete(id);
        show();
      };
      const arrived = (event: JournalEvent) => {
        take([event]);
        for (const [content, draft] of drafts.current) if (draft.id === id) drafts.current.delete(content);
        leave(true);
        // Somebody else was quicker: what lies between is fetched, unless the live stream brings it first.
        if (aside.current.length > 0) void catchUp();
        // What hangs on the journal elsewhere on the screen (what is waited for) looks again.
        tellNews();
        return true;
      };
      const done = written.then(
        ({ event }) => arrived(event),
        (error: Error) => {
          // The answer was lost, not the entry.
          const known = heard.current.get(id);
          if (known) return arrived(known);
          setProblem((before) => {
            if (error.message !== EITHER) return error.message;
            return before.includes(EITHER) ? before : `${before} ${EITHER}`;
          });
          leave(false);
          return false;
        },
      );
      foresee?.current?.(withEvent(entry));
      queue.current = [...before, { event: entry, done }];
      show();
      setProblem("");
      return done;
    },
    [foresee, withEvent, take, catchUp, show],
  );

  const log = useCallback((body: EventBody) => write(eventOf(body, true)), [write, eventOf]);

  // A page that was reloaded while something was on its way goes on with it.
  const sendAgain = useEffectEvent(() => {
    const { unsent, written } = outboxOf(job.id);
    own.current = new Set(written);
    const isKnown = (id: string) => known.current.some((e) => e.id === id);
    // It arrived after this page was made.
    if (written.some((id) => !isKnown(id))) void catchUp();
    for (const entry of unsent) {
      if (isKnown(entry.id)) takeFromOutbox(entry, true);
      else {
        const { after, ...body } = entry.body as EventBody & { after?: string };
        drafts.current.set(JSON.stringify([entry.actor, body]), { id: entry.id, ...(after ? { after } : {}) });
        void write({ ...entry, seq: lastSeq() + 1 });
      }
    }
  });
  useEffect(() => sendAgain(), [job.id]);

  const foretell = useCallback((body: EventBody) => withEvent(eventOf(body, false)), [withEvent, eventOf]);

  const ledger = useMemo(() => ledgerOf(job.id, events), [job.id, events]);
  const refusal = useCallback(
    (body: EventBody, unit: Machine) => {
      const event = { id: job.id, v: 1 as const, actor: opener, body };
      const decision = decide(ledger, { file: machine.file, machine: unit }, event);
      return decision.kind === "refused" ? decision.sentence : null;
    },
    [ledger, machine, opener, job.id],
  );

  const unseen = useMemo(() => unseenIn(events), [events]);
  return { job, coming, sending: underWay.length > 0, problem, unseen, log, refusal, foretell };
}

/** A journal with further events, each of them once. */
function joined(events: readonly JournalEvent[], further: readonly JournalEvent[]): readonly JournalEvent[] {
  const fresh = further.filter((f) => !events.some((e) => e.id === f.id));
  return fresh.length === 0 ? events : [...events, ...fresh];
}
