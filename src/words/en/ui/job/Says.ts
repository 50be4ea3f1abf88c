/** What ui/job/Says says to people, in English. */
export const say = {
  whatDoesItShow: "What does it show?",
  theUnitIsOffSet: "The unit is off. Set its state above first.",
  noDisplayOrLampOn: "No display or lamp on this machine.",
  codeTextOrLampPattern: "Code, text or lamp pattern",
  codeTextOrPattern: "Code, text or pattern",
  cannotShowNothingWasLogged: (maker: string, model: string, wanted: string, codes: string) =>
    `${maker} ${model} cannot show “${wanted}”. Nothing was logged. It knows ${codes}.`,
  noCodeStoredForThis: "no code stored for this",
  itShowsThis: "It shows this",
  powerOffWaitAndSee: "Power off, wait, and see",
  loggedSuspectsReRanked: "Logged; suspects re-ranked.",
  nextTest: "Next test",
  readTheLamp: "Read the lamp",
  whichLamp: "Which lamp",
  seenHeardSmelt: "Seen, heard, smelt",
  triedByHand: "Tried by hand",
  aRepairWasTried: "A repair was tried",
  compare: "Compare",
};
