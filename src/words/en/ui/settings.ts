/** What ui/settings says to people, in English. */
export const say = {
  codedSwitches: "Coded switches",
  settings: "Settings",
  machine: "Machine",
  theFileOfThisMachine: "The file of this machine names no settings.",
  notInItsTable: (unused: string) => `Not in its table: ${unused}`,
  found: "Found",
  notReadYet: "not read yet",
  asFound: "As found",
  recordAsFound: "Record as found",
  wanted: "Wanted",
  toBeSet: "To be set",
  calculatorsAndBench: "Calculators and bench",
  recordAsSet: "Record as set",
  recordWhatWasFoundFirst: "Record what was found first",
};
