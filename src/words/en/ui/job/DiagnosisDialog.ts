import { plural } from "../../plural";

/** What ui/job/DiagnosisDialog says to people, in English. */
export const say = {
  thenRenew: (name: string) => `Then renew ${name}.`,
  openedBy: (fault: string, by: string) => `${fault}, by ${by}`,
  repairedTheComplaintIsCured: "Repaired; the complaint is cured",
  aSimpleCause: "A simple cause",
  diagnosis: "Diagnosis",
  whatIsWrong: "What is wrong",
  beforeIsBlamed: (suspectName: string) => `Before ${suspectName} is blamed`,
  proven: "Proven: ",
  unproven: "Unproven: ",
  measureIt: "Measure it",
  closeWithoutThisProofGive: "Close without this proof? Give a reason.",
  noFaultFound: "No fault found:",
  testPartCleared: (tests: number, parts: number) =>
    ` ${tests} ${plural(tests, "test", "tests")}, ${parts} ${plural(parts, "part", "parts")} cleared`,
  excludedExcluded: (excluded: string) => `Excluded: ${excluded}`,
  leftBehind: "Left behind",
  notRestored: "Not restored",
  restoredWords: (words: string) => `Restored: ${words}`,
  restored: "Restored",
  closeWithThatOpenSay: "Close with that open? Say why.",
  whatWillBeDone: "What will be done",
  closeTheJob: "Close the job",
  nothingToRepairEveryReading: "Nothing to repair; every reading is sound.",
  lookFurther: "Look further.",
  howIsItKnown: "How is the cause known?",
  known: {
    "found bad": "The part itself was found bad",
    "old part back": "The old part, put back, brought the fault back",
    "works since": "It works since",
    "only measured": "Only measured so far",
  },
};
