import type { Machine } from "../model";
import type { JournalEvent } from "./events";
import { foldJournal, type Job } from "./fold";
import { standingOn } from "./slices/unit-state";

/** The job that a journal tells of, on its own machine. Throws `BrokenJournal`. */
export function jobOn(machine: Machine, events: readonly JournalEvent[]): Job {
  return foldJournal(events, standingOn(machine));
}
