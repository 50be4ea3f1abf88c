import { plural } from "../../plural";

/** What ui/machine/AliveBeside says to people, in English. */
export const say = {
  alive: "The machine, alive",
  what: "Look at it",
  breakIt: (name: string) => `Break: ${name}`,
  does: "What works",
  nothingRuns: "Nothing works in it.",
  reads: "What is read",
  noReadings: "No path has a stop to read at.",
  changed: "changed",
  counting: (percent: number) => `Counting what it can tell apart: ${percent} %`,
  lookingForTheNext: "Looking for the next point worth adding",
  ofFaults: (faults: number) => `of ${faults} faults are told from every other`,
  nextFact: (net: string, pairs: number) =>
    `Worth adding next: a test point at ${net}. It would tell ${pairs} ${plural(pairs, "pair", "pairs")} of faults apart.`,
  noPointHelps: "No further test point would tell more apart.",
  silent: (count: number, first: string) =>
    `${count} ${plural(count, "fault shows", "faults show")} nowhere: ${first}${count > 1 ? " and others" : ""}.`,
};
