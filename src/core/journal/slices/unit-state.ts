import type { Machine } from "../../model";
import { panelsFor } from "../../safety";
import { makeTest, type Test } from "../../simulate";
import type { EventBody, JournalEvent } from "../events";
import type { Body, Slice } from "../slice";

/** What of a machine has to be known to say how its unit stands. */
export interface UnitStateLookup {
  /** Covers that a test needs open. */
  panelsOf(test: Test): readonly string[];
  /** How the unit stands when a complaint is made. */
  setupOf(complaint: string | undefined): string;
}

/**
 * How the unit stands: its setup, its open covers, one stay after another, and what was put back since it last was
 * brought to stand so.
 */
export interface UnitStateTrail {
  setup: string;
  readonly stays: { readonly setup: string; readonly at: string }[];
  readonly openPanels: Set<string>;
  readonly restored: Set<string>;
}

export const unitState: Slice<UnitStateTrail, UnitStateLookup> = {
  init: () => ({ setup: "", stays: [], openPanels: new Set(), restored: new Set() }),
  apply(state, { body, at }, { panelsOf, setupOf }) {
    const stand = (setup: string) => {
      if (state.stays.at(-1)?.setup !== setup) state.stays.push({ setup, at });
      state.setup = setup;
      state.restored.clear();
    };
    if (body.type === "opened") stand(setupOf(body.complaint));
    if (body.type === "standing") {
      stand(body.setup);
      if (body.panel) state.openPanels.add(body.panel);
    }
    if (body.type === "reading") {
      stand(body.test.setup);
      for (const panel of panelsOf(plainTest(body.test))) state.openPanels.add(panel);
    }
    if (body.type === "restored") {
      state.restored.add(body.item);
      for (const panel of state.openPanels) if (body.item === `cover ${panel}`) state.openPanels.delete(panel);
    }
    return state;
  },
};

/** Entries that say how the unit stands. */
const TELLS: ReadonlySet<EventBody["type"]> = new Set<EventBody["type"]>(["opened", "standing", "reading", "restored"]);

/** Those entries, for whoever has no machine at hand yet: folded by `unitState` once there is one. */
export const standing: Slice<JournalEvent[]> = {
  init: () => [],
  apply(state, entry) {
    if (TELLS.has(entry.body.type)) state.push(entry);
    return state;
  },
};

/** What a machine says to how its unit stands. */
export function standingOn(machine: Machine): UnitStateLookup {
  const { complaints, setups } = machine.file;
  return {
    panelsOf: (test) => panelsFor(machine, test),
    setupOf: (complaint) => complaints.find((c) => c.id === complaint)?.setup ?? setups[0]!.id,
  };
}

/** The stored test without the `undefined` that an optional field may carry. */
export function plainTest(test: Body<"reading">["test"]): Test {
  return makeTest(test.setup, test.function, test.red, test.black, test.instant);
}
