import type { EventBody } from "../events";
import type { Slice } from "../slice";
import { ANSWERS } from "./trail";

/** Types of entry that say what was learned of the unit. */
const WHAT_WAS_LEARNED = ["reading", ...ANSWERS] as const satisfies readonly EventBody["type"][];

/** Types of entry that rest on what was known when they were made. */
export const RESTS_ON_BEFORE: ReadonlySet<EventBody["type"]> = new Set<EventBody["type"]>([
  ...WHAT_WAS_LEARNED,
  "called",
]);

/** Types of entry that can be struck out. */
export const STRIKABLE: ReadonlySet<EventBody["type"]> = new Set<EventBody["type"]>([...WHAT_WAS_LEARNED, "varied"]);

/** Every entry by its id: of what type it is and where it stands. */
export const entries: Slice<Map<string, { readonly type: EventBody["type"]; readonly seq: number }>> = {
  init: () => new Map(),
  afterCall: true,
  apply: (state, { id, seq, body }) => state.set(id, { type: body.type, seq }),
};

/** Readings that count: neither struck out nor made after the job was closed. */
export const counting: Slice<Set<string>> = {
  init: () => new Set(),
  apply(state, { id, body }) {
    if (body.type === "reading") state.add(id);
    if (body.type === "struck") state.delete(body.event);
    return state;
  },
};

/** Settings recorded as found, by the entry that says so. */
export const found: Slice<Map<string, string>> = {
  init: () => new Map(),
  apply(state, { id, body }) {
    if (body.type === "setting" && body.moment === "found") state.set(id, body.setting);
    if (body.type === "struck") state.delete(body.event);
    return state;
  },
};

/** Temporary repairs that were decided: they count for the unit whenever they are written. */
export const temporary: Slice<Set<string>> = {
  init: () => new Set(),
  afterCall: true,
  apply: (state, { id, body }) => (body.type === "decided" && body.temporary ? state.add(id) : state),
};
