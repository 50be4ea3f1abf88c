import { movesTo, type UnitState, unitStateAfter, type StepTaken } from "../diagnose";
import type { Machine } from "../model";
import { panelsFor } from "../safety";
import type { JournalEvent } from "./events";
import { folded, type Slice } from "./slice";
import { plainTest } from "./slices/unit-state";

/** What the steps of a job are told by: its machine, and how a moment of the journal is read, in minutes. */
interface Told {
  readonly machine: Machine;
  minutesOf(at: string): number;
}

interface Walk {
  unitState: UnitState | null;
  /** The moment of the last reading. */
  last: string | null;
  readonly steps: StepTaken[];
}

/**
 * The steps of a job as they were made, each with the minutes between its entry and the one before it; only those
 * between two readings.
 */
const walk: Slice<Walk, Told> = {
  init: () => ({ unitState: null, last: null, steps: [] }),
  afterCall: true,
  apply(state, { body, at }, { machine, minutesOf }) {
    if (body.type === "opened")
      state.unitState = {
        setup: machine.file.complaints.find((c) => c.id === body.complaint)?.setup ?? machine.file.setups[0]!.id,
        openPanels: new Set(),
      };
    if (!state.unitState) return state;
    if (body.type === "standing" && machine.setupById.has(body.setup))
      state.unitState = {
        setup: body.setup,
        openPanels: new Set([...state.unitState.openPanels, ...(body.panel ? [body.panel] : [])]),
      };
    if (body.type !== "reading" || !machine.setupById.has(body.test.setup)) return state;
    const test = plainTest(body.test);
    if (panelsFor(machine, test).some((p) => !machine.file.panels.some((known) => known.id === p))) return state;
    if (state.last !== null)
      state.steps.push({
        moves: movesTo(machine, state.unitState, test),
        took: minutesOf(at) - minutesOf(state.last),
      });
    state.unitState = unitStateAfter(machine, state.unitState, test);
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
