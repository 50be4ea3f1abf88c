import type { EventBody, JournalEvent } from "../events";
import type { Body, Slice } from "../slice";

/** A reading in the trail, and whether it was struck out. */
export interface TrailReading {
  readonly id: string;
  readonly seq: number;
  readonly at: string;
  readonly actor: string;
  readonly body: Body<"reading">;
  readonly struck: { readonly at: string; readonly actor: string; readonly reason: string } | null;
}

export const readings: Slice<TrailReading[]> = {
  init: () => [],
  apply(state, { id, seq, at, actor, body }) {
    if (body.type === "reading") state.push({ id, seq, at, actor, body, struck: null });
    if (body.type === "struck") {
      const index = state.findIndex((r) => r.id === body.event);
      if (index >= 0 && !state[index]!.struck)
        state[index] = { ...state[index]!, struck: { at, actor, reason: body.reason } };
    }
    return state;
  },
};

/** What is known without a meter. */
export const ANSWERS = [
  "answered",
  "compared",
  "noticed",
  "tried",
  "by hand",
  "timed",
  "alone",
  "setting",
  "surroundings",
] as const;
export type Answer = Body<(typeof ANSWERS)[number]>;
export interface TrailAnswer {
  readonly id: string;
  readonly seq: number;
  readonly at: string;
  readonly actor: string;
  readonly body: Answer;
}

const isAnswer = (body: EventBody): body is Answer => (ANSWERS as readonly string[]).includes(body.type);

/**
 * Simple causes asked for, what works beside what does not, signs, parts tested by themselves, settings, repairs
 * tried; struck-out ones are left out.
 */
export const answers: Slice<TrailAnswer[]> = {
  init: () => [],
  apply(state, { id, seq, at, actor, body }) {
    if (isAnswer(body)) state.push({ id, seq, at, actor, body });
    return body.type === "struck" ? state.filter((a) => a.id !== body.event) : state;
  },
};

/** What was written after the call: kept, shown, and without effect on the job. */
export const addenda: Slice<{ closed: boolean; readonly list: JournalEvent[] }> = {
  init: () => ({ closed: false, list: [] }),
  afterCall: true,
  apply(state, entry) {
    if (state.closed) state.list.push(entry);
    state.closed ||= entry.body.type === "called";
    return state;
  },
};

export const notes: Slice<{ readonly at: string; readonly actor: string; readonly text: string }[]> = {
  init: () => [],
  apply(state, { at, actor, body }) {
    if (body.type === "note") state.push({ at, actor, text: body.text });
    return state;
  },
};

/** Whether the safety notice has been read on this job. */
export const warned: Slice<boolean> = {
  init: () => false,
  apply: (state, { body }) => state || body.type === "warned",
};
