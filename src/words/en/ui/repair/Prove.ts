/** What ui/repair/Prove says to people, in English. */
export const say = {
  otherwise: (consequence: string) => `If not: ${consequence}`,
  itAlsoShows: (words: string) => `It also shows: ${words}`,
  everyStepPassed: "Every step passed",
  workingOutWhatASound: "Working out what a sound machine shows",
  computing: "Computing",
  nextStepOfTheProof: "Next step of the proof",
  proofgroupsPassedOfTotalPassed: (proofgroups: string, passed: number, total: number) =>
    `${proofgroups}, ${passed} of ${total} passed`,
  passes: "Passes:",
  startTheClock: "Start the clock",
  provenTheFaultIsGone: "Proven: the fault is gone and the machine is safe.",
  notProven: "Not proven.",
  failedItIsNotHanded: (failed: string) => `Failed: ${failed}. It is not handed over like this.`,
  whatIsStillToRestore: "What is still to restore",
  allSteps: "All steps",
  cordMetres: "Cord, metres",
  itRunsOnItsOwn:
    "It runs on its own battery or engine: the after-repair standard for mains equipment does not apply. Local rules do.",
  notSo: "not so",
  no: "No",
  typeWhatTheMeterShows: "Type what the meter shows.",
  reading: "Reading",
  log: "Log",
  open: "Open: ",
  passed: "Passed: ",
  failed: "Failed: ",
};
