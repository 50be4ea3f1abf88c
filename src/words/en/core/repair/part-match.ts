/** What core/repair/part-match says to people, in English. */
export const say = {
  none: "none",
  enterItsCodeAfterIt:
    "Enter its code after it has woken; read the code from the rating plate, not from the old board.",
  lookAtTheOldOne: "Look at the old one first: cut only what is cut there. A resistor cut is cut for ever.",
  itsOwnScrewsNeverLonger: "Its own screws; never longer ones than the old.",
  checkThatNothingAboveTouches: "Check that nothing above touches, and creepage and clearance of what is soldered.",
  breakItAlongItsGroove: "Break it along its groove before it goes near the machine; no copper dust on it.",
  comparePlugByPlugPin: "Compare plug by plug, pin 1 and key, before anything is pushed home.",
  carryTheSettingsOverAnd: "Carry the settings over and check them.",
  dealWithItBeforeIt: "Deal with it before it is powered.",
  noAssemblyAssemblyId: (assemblyId: string) => `no assembly ${assemblyId}`,
  typeTheNumberPrintedOn: "Type the number printed on the part.",
  theFileIsOfRevision: (revision: string) => `; the file is of revision ${revision}, compare`,
  theSamePart: (part: string) => `The same part${part}.`,
  mustNotGoIn: (number: string, part: string, refused: string) => `${number}${part} must not go in: ${refused}`,
  mayStandInWithDifferences: "May stand in, with differences:",
  mayStandInAsIt: "May stand in as it is.",
  noneKnown: "none known",
  itsRevisionDecidesGoodAre: (flatMap: string) => `Its revision decides: good are ${flatMap}.`,
  revisionIsNotAmongThose: (revision: string, flatMap: string) =>
    `Revision ${revision} is not among those known to fit (${flatMap}).`,
  theSameNumberButRevision: (revision: string, revision2: string | undefined) =>
    `The same number, but revision ${revision}; the file knows ${revision2}. Compare plug by plug and note what differs.`,
  revisionInsteadOf: (revision: string, revision2: string | undefined) =>
    `Revision ${revision} instead of ${revision2}`,
  theFileKnowsHereThis: (text: string) =>
    `The file knows ${text} here. This number is another part: not fitted until someone has compared it.`,
  theFileHasNoNumber: "The file has no number for this assembly: compare the parts themselves.",
};
