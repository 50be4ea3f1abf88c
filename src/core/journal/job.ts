import { panelsFor } from "../safety";
import type { Machine } from "../model";
import type { JournalEvent } from "./events";
import { foldJournal, type Job } from "./fold";

/** The job that a journal tells of, on its own machine. Throws `BrokenJournal`. */
export function jobOn(machine: Machine, events: readonly JournalEvent[]): Job {
  const { complaints, setups } = machine.file;
  return foldJournal(events, {
    panelsOf: (test) => panelsFor(machine, test),
    setupOf: (complaint) => complaints.find((c) => c.id === complaint)?.setup ?? setups[0]!.id,
  });
}
