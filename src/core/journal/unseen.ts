import { isSameReading } from "../diagnose";
import type { Meter } from "../instrument";
import { testKey } from "../simulate";
import type { JournalEvent } from "./events";
import type { Job } from "./fold";
import { plainTest } from "./slices/unit-state";
import type { TrailAnswer, TrailReading } from "./slices/trail";
import { say } from "#words/core/journal";

/** For each entry that was written without knowing others: those others, in order. */
export type Unseen = ReadonlyMap<string, readonly JournalEvent[]>;

/** Which entries were written on a screen that did not show what had come before them. */
export function unseenIn(events: readonly JournalEvent[]): Unseen {
  const sorted = [...events].sort((a, b) => a.seq - b.seq);
  const at = new Map(sorted.map((e, i) => [e.id, i]));
  const unseen = new Map<string, readonly JournalEvent[]>();
  sorted.forEach((event, i) => {
    const after = "after" in event.body ? event.body.after : undefined;
    const last = after === undefined ? undefined : at.get(after);
    if (last === undefined || last >= i - 1) return;
    unseen.set(event.id, sorted.slice(last + 1, i));
  });
  return unseen;
}

/** Two answers to one question that cannot both be so, of which the second was given without knowing the first. */
export interface Conflict {
  /** What was asked, in words. */
  readonly words: string;
  readonly first: Side;
  readonly second: Side;
  /** The test that was made twice, where it is one. */
  readonly reading: TrailReading | null;
}

interface Side {
  readonly event: string;
  readonly actor: string;
  readonly at: string;
  /** What was answered, in words. */
  readonly said: string;
}

/**
 * Every conflict that nobody has settled yet, by striking one of the two out or by asking once more with both in
 * sight.
 */
export function conflictsIn(job: Job, unseen: Unseen, meter: Meter): readonly Conflict[] {
  const knew = (
    later: { readonly id: string; readonly seq: number },
    earlier: { readonly id: string; readonly seq: number },
  ) => later.seq > earlier.seq && !unseen.get(later.id)?.some((e) => e.id === earlier.id);
  const readings = job.readings.filter((r) => r.struck === null);
  if (unseen.size === 0) return [];
  // What was measured after a repair is of another machine.
  const repairs = job.answers.filter((a) => a.body.type === "tried").map((a) => a.seq);
  const between = (a: number, b: number) => repairs.some((seq) => a < seq && seq < b);
  return [
    ...pairs(readings, knew, (a, b) => {
      if (keyOf(a) !== keyOf(b) || between(a.seq, b.seq)) return null;
      const same = isSameReading(meter, { test: plainTest(a.body.test), shown: a.body.shown }, b.body);
      return same ? null : { words: a.body.as.title, said: (r: TrailReading) => r.body.as.shown, reading: b };
    }),
    ...pairs(job.answers, knew, (a, b) => {
      const asked = askedIn(a);
      if (asked === null || asked !== askedIn(b) || saidIn(a) === saidIn(b)) return null;
      return { words: wordsOf(a), said: saidIn, reading: null };
    }),
  ];
}

/**
 * The pairs of entries that contradict each other, the second unaware of the first, and that no third aware of both
 * has settled.
 */
function pairs<T extends { readonly id: string; readonly seq: number; readonly actor: string; readonly at: string }>(
  all: readonly T[],
  knew: (later: T, earlier: T) => boolean,
  contradict: (
    a: T,
    b: T,
  ) => { readonly words: string; readonly said: (e: T) => string; readonly reading: TrailReading | null } | null,
): Conflict[] {
  const found: Conflict[] = [];
  all.forEach((b, i) =>
    all.slice(0, i).forEach((a) => {
      if (knew(b, a)) return;
      const both = contradict(a, b);
      if (!both) return;
      // One who knew both has said the same as one of them.
      const settled = all.some(
        (c) => knew(c, a) && knew(c, b) && (contradict(a, c) === null) !== (contradict(b, c) === null),
      );
      if (settled) return;
      const side = (e: T): Side => ({ event: e.id, actor: e.actor, at: e.at, said: both.said(e) });
      found.push({ words: both.words, first: side(a), second: side(b), reading: both.reading });
    }),
  );
  return found;
}

const keyOf = (r: TrailReading) => testKey(plainTest(r.body.test));

/** What an answer was asked, so that two of the same question are known; null where two may stand beside each other. */
function askedIn({ body }: TrailAnswer): string | null {
  switch (body.type) {
    case "answered":
      return body.answer === "skip" ? null : `answered ${body.first}`;
    case "noticed":
      return `noticed ${body.part} ${body.sign}`;
    case "alone":
      return `alone ${body.part}`;
    case "tried":
      return `tried ${body.piece}`;
    case "by hand":
      return `by hand ${body.trial} ${body.of}`;
    default:
      return null;
  }
}

function saidIn({ body }: TrailAnswer): string {
  switch (body.type) {
    case "answered":
      return body.answer;
    case "noticed":
      return body.there ? "there" : say.notThere;
    case "alone":
      return body.found;
    case "tried":
      return body.result;
    case "by hand":
      return body.came;
    default:
      return "";
  }
}

/** The words of an answer up to what was said. */
function wordsOf({ body }: TrailAnswer): string {
  return body.words.split(/(?<=[?:.])\s/)[0] ?? body.words;
}
