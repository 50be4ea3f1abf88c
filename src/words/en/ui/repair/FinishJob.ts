/** What ui/repair/FinishJob says to people, in English. */
export const say = {
  closeTheJob: "Close the job",
  steps: (passed: number, failed: number) =>
    failed === 0 ? `${passed} steps passed` : `${passed} steps passed, ${failed} failed`,
  noStepMade: "A step of the proof",
  withoutProofBecause: "No step of the proof was made, because",
  done: "done",
  whatWasDone: "What was done",
  leftOpenBecause: (count: number) => `Closed with ${count} open, because`,
};
