import type { EventBody } from "../events";
import { doneOf, listOf, type Done, type Slice } from "../slice";

/**
 * The last entry of one type under each key, in the order in which the keys were first met; `ends` takes a key out
 * again.
 */
function lastOf<T extends EventBody["type"]>(
  type: T,
  keyOf: (body: Done<T>["body"]) => string,
  ends: (body: EventBody) => string | null = () => null,
): Slice<Map<string, Done<T>>> {
  return {
    init: () => new Map(),
    apply(state, entry) {
      const { body } = entry;
      if (body.type === type) state.set(keyOf(body as Done<T>["body"]), doneOf(entry, body as Done<T>["body"]));
      const ended = ends(body);
      if (ended !== null) state.delete(ended);
      return state;
    },
  };
}

export const decisions = listOf("decided");
export const matches = listOf("matched");
export const abandoned = listOf("abandoned");
export const modifications = listOf("modified");
export const madeGood = listOf("made good");
export const photos = lastOf("photo", (b) => b.hash);
/** What was changed for the while and is not put back. */
export const changed = lastOf(
  "changed",
  (b) => b.item,
  (b) => (b.type === "restored" ? b.item : null),
);
const waiting = lastOf(
  "waiting",
  (b) => b.wait,
  (b) => (b.type === "waited" ? b.wait : null),
);
/** What is waited for; after the call nothing is. */
export const waits: typeof waiting = {
  ...waiting,
  apply(state, entry, about) {
    if (entry.body.type === "called") state.clear();
    return waiting.apply(state, entry, about);
  },
};

/** The last entry of a type; null while there is none. */
const last = <T extends EventBody["type"]>(
  type: T,
  more: Pick<Slice<unknown>, "afterCall"> = {},
): Slice<Done<T> | null> => ({
  init: () => null,
  apply: (state, entry) => (entry.body.type === type ? doneOf(entry, entry.body as Done<T>["body"]) : state),
  ...more,
});
export const tester = last("tester");
export const quoted = last("quoted");
export const promised = last("promised");
export const visit = last("visit");
/** It may be made long after the job was closed, and changes nothing of it. */
export const customerPage = last("customer page", { afterCall: true });

/** Stages that are done, by plan. */
export const stages: Slice<Map<string, Set<string>>> = {
  init: () => new Map(),
  apply(state, { body }) {
    if (body.type !== "staged") return state;
    const done = state.get(body.plan) ?? new Set<string>();
    state.set(body.plan, done);
    if (body.done) done.add(body.stage);
    else done.delete(body.stage);
    return state;
  },
};

/**
 * The last result of each step of the proof run, the latest last. What was proven before a repair that did not help
 * says nothing of the machine that is repaired once more.
 */
export const proved: Slice<Map<string, Done<"proved">>> = {
  init: () => new Map(),
  apply(state, entry) {
    const { body } = entry;
    if ((body.type === "tried" && body.result === "stays") || body.type === "modified") state.clear();
    if (body.type === "proved") {
      state.delete(body.step);
      state.set(body.step, doneOf(entry, body));
    }
    return state;
  },
};
