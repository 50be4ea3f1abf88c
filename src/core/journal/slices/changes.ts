import type { Change } from "../../model";
import type { JournalEvent } from "../events";
import { folded, type Slice } from "../slice";

/** What was found on the unit, or built into it, by one entry. */
export interface UnitChange {
  readonly id: string;
  readonly at: string;
  readonly actor: string;
  readonly words: string;
  /** Found, and so taken back by a stroke; what was built in is there. */
  readonly isFound: boolean;
  readonly changes: readonly Change[];
}

/** Everything by which the unit differs from its file and that was not taken back, in order. */
export const changes: Slice<readonly UnitChange[]> = {
  init: () => [],
  apply(state, { id, at, actor, body }) {
    if (body.type === "varied")
      return [...state, { id, at, actor, words: body.words, isFound: true, changes: [body.change] }];
    // From here on the unit is another machine, as with what was found on it.
    if (body.type === "modified")
      return [...state, { id, at, actor, words: body.words, isFound: false, changes: body.changes }];
    return body.type === "struck" ? state.filter((c) => c.id !== body.event || !c.isFound) : state;
  },
};

/** The changes that a unit has now, from the readable entries of its journal in order. */
export function changesIn(entries: readonly JournalEvent[]): readonly Change[] {
  const end = entries.findIndex((e) => e.body.type === "called");
  return folded(changes, end < 0 ? entries : entries.slice(0, end), undefined).flatMap((c) => c.changes);
}
