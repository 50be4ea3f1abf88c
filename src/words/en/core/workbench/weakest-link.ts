/** What core/workbench/weakest-link says to people, in English. */
export const say = {
  aPathNeedsAtLeast: "A path needs at least one element.",
  weakestLink: "Weakest link",
  ofWhatItCarries: (worstName: string, used: string) => `${worstName}: ${used} of what it carries`,
  forAStartTimesIts: (bears: number) => `for a start ${bears} times its rating, from memory`,
  noSetupSetupId: (setupId: string) => `no setup ${setupId}`,
  afterTheRunningAndStart: (whole: string) => `"${whole}": after the @ running and start current, "0.7A / 4A".`,
  whatMayItCarryType: (line: string) => `"${line}": what may it carry? Type "switch 0.5A" or "wire 18 AWG".`,
  typeTheCurrentOfThe: "Type the current of the load at the end of the path.",
  theCurrent: "The current",
  theStartCurrentIsBelow: "The start current is below the running one.",
  neverRoundAProtectivePart:
    "Never round a protective part: a fuse, a cut-off, an interlock or an earth is no element to bypass.",
  startCurrentTakenAsTimes: (times: number) =>
    `Start current taken as ${times} times the running one, from memory: clamp it.`,
  aPathOrABypass: "A path or a bypass: does every element carry it",
  elementsOneALine: "Elements, one a line",
  fuse10aSwitch05a: "fuse 10A\nswitch 0.5A\nwire 18 AWG",
  loadRunning: "Load, running",
  startCurrent: "Start current",
  load: "Load",
  refusedIsRated: (worstName: string, part: string, by: string, rated: string) =>
    `Refused: ${worstName}, ${part} ${by}, is rated ${rated}.`,
  justHasLittleToSpare: (worstName: string) => `Just: ${worstName} has little to spare.`,
  everyElementCarriesIt: "Every element carries it.",
};
