import { movesTo, standingAfter, type Standing } from "../diagnose/planning/cost";
import type { StepTaken } from "../diagnose/planning/learned-times";
import type { Machine } from "../model/machine";
import { makeTest } from "../simulate/test";
import { panelsFor } from "../safety/exposure";
import type { JournalEvent } from "./events";

/** The steps of a job as they were made, each with the minutes between its entry and the one before it; only those between two readings. `minutesOf` reads a moment of the journal. */
export function stepsOf(
  machine: Machine,
  events: readonly JournalEvent[],
  minutesOf: (at: string) => number,
): readonly StepTaken[] {
  const steps: StepTaken[] = [];
  let standing: Standing | null = null;
  let last: string | null = null;
  for (const { body, at } of [...events].sort((a, b) => a.seq - b.seq)) {
    if (body.type === "opened")
      standing = {
        setup: machine.file.complaints.find((c) => c.id === body.complaint)?.setup ?? machine.file.setups[0]!.id,
        openPanels: new Set(),
      };
    if (!standing) continue;
    if (body.type === "standing" && machine.setupById.has(body.setup))
      standing = {
        setup: body.setup,
        openPanels: new Set([...standing.openPanels, ...(body.panel ? [body.panel] : [])]),
      };
    if (body.type !== "reading" || !machine.setupById.has(body.test.setup)) continue;
    const test = makeTest(body.test.setup, body.test.function, body.test.red, body.test.black, body.test.instant);
    if (panelsFor(machine, test).some((p) => !machine.file.panels.some((known) => known.id === p))) continue;
    if (last !== null) steps.push({ moves: movesTo(machine, standing, test), took: minutesOf(at) - minutesOf(last) });
    standing = standingAfter(machine, standing, test);
    last = at;
  }
  return steps;
}
