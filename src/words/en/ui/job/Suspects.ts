/** What ui/job/Suspects says to people, in English. */
export const say = {
  suspects: "Suspects",
  numbers: "numbers",
  diagnosis: "Diagnosis",
  noSingleFaultExplainsIt:
    "No single fault explains it: two at once are weighed too, and a unit that differs from its file.",
  tryingEveryFault: (progress: number) => `Trying every fault, ${progress} %`,
  clearedCountParts: (count: number) => `Cleared: ${count} parts`,
  byBy: (by: string) => `by ${by}`,
};
