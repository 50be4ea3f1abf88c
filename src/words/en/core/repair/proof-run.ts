/** What core/repair/proof-run says to people, in English. */
export const say = {
  whatProtects: "What protects",
  everyFunction: "Every function of this kind of machine",
  lookedOver: "Looked over",
  theComplaintIsGone: "The complaint is gone",
  whatWasWrongReadsRight: "What was wrong reads right",
  whatItDrivesWorks: "What it drives, works",
  backToIdle: "Back to idle",
  inItsTime: "In its time",
  beforeItIsHandedOver: "Before it is handed over",
  safeAfterRepair: "Safe after repair",
  noComplaintComplaintId: (complaintId: string) => `no complaint ${complaintId}`,
  prices: "Prices",
  oneOfEachCoinOr: "One of each coin or card, and one vend or cycle at each price.",
  rightCreditRightPriceRight: "right credit, right price, right goods",
  coversScrewsPlugs: "Covers, screws, plugs",
  everyCoverOnWithIts: "Every cover on with its own screws, no plug or earth left off, nothing left inside.",
  allAsItWas: "all as it was",
  asleep: "Asleep",
  theMachinesFile: "the machine's file",
  asleepCurrentFromItsSupply: "Asleep, current from its supply",
  everythingOffNothingPressedThe:
    "Everything off, nothing pressed; the meter in the supply's lead, on the highest range until it has gone to sleep.",
  atMostLimitText: (limitText: string) => `at most ${limitText}`,
  theMeterInAmperesIs: "The meter in amperes is a short: never across the supply, and its fuse is not the machine's.",
  labelAfterAboutPart: (label: string, part: string) => `${label} after about ${part}`,
  repairedAndTheProofFailed: (stepWords: string, typed: string) =>
    `Repaired, and the proof failed: ${stepWords}, ${typed}`,
  repairedTheComplaintIsGone: (name: string) => `Repaired; the complaint is gone: ${name}`,
  onlyMainsConductorsAgainstMetalwork:
    "Only mains conductors against metalwork: electronics at low voltage stay out of it.",
  liveCoversOnHandsOff: "Live: covers on, hands off the metalwork while it is measured.",
};
