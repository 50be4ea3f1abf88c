/** What ui/repair/SetUp says to people, in English. */
export const say = {
  triedOnTheSimulatedBoard: "Tried on the simulated board: every setting comes out as found.",
  onTheSimulatedBoardA:
    "On the simulated board a setting comes out otherwise: it has no such value. Enter that one by hand.",
  enteredAndItShowsThem: "Entered, and it shows them",
  theNewBoardComesWith: "The new board comes with these values: nothing to press. Look that it shows them.",
  thisMachineHasNoSettings: "This machine has no settings in its file.",
  settings: "Settings",
  fromTheOldBoard: "From the old board",
  set: "Set",
  setOnTheNewOne: "Set on the new one",
  entered: "entered",
  readFirstBeforeTheOld: (missing: string) =>
    `Read first, before the old board comes out: ${missing}. A dead board: the rating plate, the order, the last record.`,
  ontoTheNewBoard: "Onto the new board",
  aBoardThatWasNever: "A board that was never set shows",
  itTakesSToWake: (wakes: number) => `. It takes ${wakes} s to wake: wait, then begin.`,
  goOnToTheProof: "Go on to the proof",
  switchesAndSettings: "Switches and settings",
};
