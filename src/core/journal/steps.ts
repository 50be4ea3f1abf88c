import { movesTo, type Standing, standingAfter, type StepTaken } from "../diagnose";
import type { Machine } from "../model";
import { panelsFor } from "../safety";
import type { JournalEvent } from "./events";
import { folded, type Slice } from "./slice";
import { plainTest } from "./slices/standing";

/** What the steps of a job are told by: its machine, and how a moment of the journal is read, in minutes. */
interface Told {
  readonly machine: Machine;
  minutesOf(at: string): number;
}

interface Walk {
  standing: Standing | null;
  /** The moment of the last reading. */
  last: string | null;
  readonly steps: StepTaken[];
}

/**
 * The steps of a job as they were made, each with the minutes between its entry and the one before it; only those
 * between two readings.
 */
const walk: Slice<Walk, Told> = {
  init: () => ({ standing: null, last: null, steps: [] }),
  afterCall: true,
  apply(state, { body, at }, { machine, minutesOf }) {
    if (body.type === "opened")
      state.standing = {
        setup: machine.file.complaints.find((c) => c.id === body.complaint)?.setup ?? machine.file.setups[0]!.id,
        openPanels: new Set(),
      };
    if (!state.standing) return state;
    if (body.type === "standing" && machine.setupById.has(body.setup))
      state.standing = {
        setup: body.setup,
        openPanels: new Set([...state.standing.openPanels, ...(body.panel ? [body.panel] : [])]),
      };
    if (body.type !== "reading" || !machine.setupById.has(body.test.setup)) return state;
    const test = plainTest(body.test);
    if (panelsFor(machine, test).some((p) => !machine.file.panels.some((known) => known.id === p))) return state;
    if (state.last !== null)
      state.steps.push({
        moves: movesTo(machine, state.standing, test),
        took: minutesOf(at) - minutesOf(state.last),
      });
    state.standing = standingAfter(machine, state.standing, test);
    state.last = at;
    return state;
  },
};

/** The steps of a journal, in any order of its entries. */
export function stepsOf(
  machine: Machine,
  events: readonly JournalEvent[],
  minutesOf: (at: string) => number,
): readonly StepTaken[] {
  return folded(
    walk,
    [...events].sort((a, b) => a.seq - b.seq),
    { machine, minutesOf },
  ).steps;
}
