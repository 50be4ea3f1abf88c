/** What ui/rig says to people, in English. */
export const say = {
  onTheBenchRig: (boardName: string, verdictWords: string, why: string) =>
    `${boardName} on the bench rig: ${verdictWords} ${why}`,
  benchRig: "Bench rig",
  noBoardChosen: "Choose a board",
  board: "Board",
  startOver: "Start over",
  noBoardOfThisMachine: "No board of this machine switches a load that a lamp could stand for.",
  lampsStepByStep: "Lamps step by step",
  step: "Step",
  tellsMost: " (tells most)",
  shouldBe: "should be",
  notKnown: "not known",
  seen: "seen?",
  logItInTheJob: "Log it in the job",
  whatItMayBe: "What it may be",
  howItIsWired: "How it is wired",
  calculatorsAndBench: "Calculators and bench",
};
