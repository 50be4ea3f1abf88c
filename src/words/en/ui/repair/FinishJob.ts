/** What ui/repair/FinishJob says to people, in English. */
export const say = {
  closeTheJob: "Close the job",
  steps: (passed: number, failed: number) =>
    failed === 0 ? `${passed} steps passed` : `${passed} steps passed, ${failed} failed`,
  done: "done",
  whatWasDone: "What was done",
  leftOpenBecause: (count: number) => `Closed with ${count} open, because`,
};
