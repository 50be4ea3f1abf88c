/** What core/diagnose/advice says to people, in English. */
export const say = {
  onSide: (point: string, side: string) => `${point}, ${side}`,
  inAssembly: (assembly: string, fault: string) => `${assembly} (${fault})`,
  openedBy: (name: string, cause: string) => `${name}, by: ${cause}. Mend the cause first, then renew what opened.`,
  openedByOneOf: (name: string, causes: string, lamp: boolean) =>
    `${name}. Not ruled out: ${causes}. ` +
    `${lamp ? "See with a lamp or a limited supply in its place" : "Take a lead of it off"} before a new one goes in.`,
  nothingFoundThatOpened: (name: string, cleared: string) =>
    cleared === ""
      ? `${name}. Nothing in the file brings that about. Say why it opened before a new one goes in.`
      : `${name}. Read, and not the cause: ${cleared}. Say why it opened before a new one goes in.`,
  whyItOpened: (name: string) => `Why it opened is known: ${name}`,
  notToBeTriedSo: (of: string) => `"${of}" cannot be tried so. Nothing was logged.`,
  noComponentFits: (board: string) =>
    `The fault is on one board: ${board}. What was read inside it fits none of its components: replace the board.`,
  theComponentIs: (board: string, fault: string) => `${board}, ${fault}.`,
  oneOfTheComponents: (board: string, faults: string) =>
    `${board}: one of these, which no safe test tells apart with the parts in: ${faults}. Take one lead of each out.`,
  notWhatASoundMachineShows: (reading: string) =>
    `No fault of the file explains ${reading}, and a sound machine does not show it. Look for what the file does not have.`,
  aSecondWitness: (name: string) =>
    `One test speaks for ${name}. A second one, of something else, before it is called.`,
  seenBeforeCalledSound: "Before the unit is called sound, what was complained of is looked at.",
  impliedBy: (reading: string) => `implied by ${reading}`,
  setAside: (readings: string) =>
    `Set aside, because it fits nothing here: ${readings}. The search goes on without it. Measure it again before you close.`,
  provesOtherwiseAgain: (proof: string) =>
    `This came out otherwise than a faulty board needs: ${proof}. Measure again.`,
  likelyUnproven: (name: string, missing: string) => `Likely, unproven: ${name}. Not shown: ${missing}.`,
  complaintFitsASoundMachine: (complaint: string) =>
    `Complaint "${complaint}": a machine without a fault shows just that. ` +
    'Mend what it sees or its setup, or say in "beyond" what else was seen.',
  setupRunsNothing: (setup: string) =>
    `Setup "${setup}": powered, but a machine without a fault shows and runs nothing in it.`,
  aboveOrOl: (least: string) => `above ${least}, or OL`,
  readThrough: (names: string) => `through ${names}`,
  readBeside: (names: string) => `with ${names} in parallel`,
  andMore: (names: string, count: number) => `${names} and ${count} more`,
  lookAndListenAlone: "Look and listen",
  dcVolts: "DC volts",
  acVolts: "AC volts",
  lowImpedanceVolts: "Low-impedance volts",
  clampAcAmperes: "Clamp, AC amperes",
  clampDcAmperes: "Clamp, DC amperes",
  clampInrush: "Clamp, inrush",
  onlyDashes: "only dashes",
  noBeep: "no beep",
  notSteady: "not steady",
  itsSheetDoesNotSay: "its sheet does not say",
  unstableReading: "unstable reading",
  anyValue: "any value",
  powerOffWaitAndSee: (name: string) => `${name}: power off, wait, and see`,
  turnByHand: (name: string) => `${name}: uncoupled, turn it by hand`,
  lookAndListen: (name: string) => `${name}: look and listen`,
  firstWordsLeavesLeavesWords: (firstWords: string, leavesWords: string, otherWords: string, leavesWords2: string) =>
    `${firstWords} leaves ${leavesWords}; ${otherWords} leaves ${leavesWords2}.`,
  itConfirmsTheLeadingSuspect: "It confirms the leading suspect.",
  underAMinute: "Under a minute",
  aboutMinutesMin: (minutes: number) => `About ${minutes} min`,
  bestValueForTheTime: "Best value for the time.",
  bestForTheSearchAs: (other: string) => `Best for the search as a whole; by itself better value: ${other}.`,
  bestValueForTheTimeNearly: (other: string) => `Best value for the time; nearly as good: ${other}.`,
  noClearSuspect: "no clear suspect",
  everythingThatPointsAtRests: (topName: string) =>
    `Everything that points at ${topName} rests on this one reading. Measure it again.`,
  neededBeforeTheBoardIs: (proofWords: string) => `Needed before the board is blamed: ${proofWords}.`,
  measureAgainTheLastReading: (machine: string) =>
    `Measure again: the last reading of ${machine} fits no remaining suspect.`,
  toMeasureFirstTakesAbout: (max: number) => ` To measure first takes about ${max} min more on the whole.`,
  itIsThisInOf: (min: number, minutes: number, part: string) =>
    `It is this in ${min} of 10 such cases, and costs ${minutes} min if not.${part}`,
  goneForNow: (name: string) =>
    `Gone for now, after this repair: ${name}. What comes and goes is gone after any repair for a while: ` +
    "prove it over the time it used to take.",
  curedPerhapsByReseating: (name: string) =>
    `The complaint is gone with this repair: ${name}. Its plugs were reseated too; that alone may have cured it. ` +
    "Prove the repair. Only the old part bringing the fault back would show that it was bad.",
  thisRepairCuredTheComplaint: (name: string) =>
    `This repair cured the complaint: ${name}. Prove the repair, then close with the diagnosis.`,
  itDidNotShowItself:
    "It did not show itself. That clears nothing: leave the meter or a log on it, and ask when it happens: warm, damp, after a move.",
  everyReadingIsAsA: "Every reading is as a good machine shows it.",
  somethingDiffers: "something differs",
  thisUnitDiffersFromIts: (name: string) => `This unit differs from its file: ${name}. Look, and record what you find.`,
  theReadingsFitNeitherOne:
    "The readings fit neither one fault nor two in the file. Look for a part that is not in the file.",
  partNothingWrong: (part: string) => `${part}nothing wrong`,
  noneOfTheTestsYou: (names: string, part: string) =>
    `None of the tests you can make tells these apart: ${names}${part}. Hand over to someone who may measure live, or has the clamp.`,
  noSafeTestWouldShow: (names: string) => ` No safe test would show: ${names}.`,
  everyReadingIsAsAGood: (part: string) => `Every reading is as a good machine shows it.${part}`,
  noSafeTestTellsThese: (names: string) =>
    `No safe test tells these apart: ${names}. Start with the one that is cheapest to prove.`,
  oneFaultDoesNotExplain: " One fault does not explain the readings: repair this, then go on measuring.",
  itHasTakenWithIt: (led: string) => ` It has taken ${led} with it; renew both, this first.`,
  theFaultIsInOne: (topName: string, more: string) => `The fault is in one assembly: ${topName}.${more}`,
  extraPointNet: (net: string) => `Extra point ${net}`,
  hasNoSetupNothingWas: (name: string, setup: string) => `${name} has no setup ${setup}. Nothing was logged.`,
  hasNothingCalledToLook: (name: string, part: string) =>
    `${name} has nothing called ${part} to look at. Nothing was logged.`,
  ofCannotShowItKnows: (name: string, name2: string, seenLabel: string, labels: string) =>
    `${name} of ${name2} cannot show "${seenLabel}". It knows ${labels}. Nothing was logged.`,
  thereIsNoSuchSign: (maker: string, model: string) =>
    `There is no such sign on ${maker} ${model}. Nothing was logged.`,
  hasNoAssemblyNothingWas: (maker: string, model: string, assembly: string) =>
    `${maker} ${model} has no assembly ${assembly}. Nothing was logged.`,
  thereIsNoSuchQuestion: (maker: string, model: string) =>
    `There is no such question for ${maker} ${model}. Nothing was logged.`,
  hasNoPartNothingWas: (maker: string, model: string, part: string) =>
    `${maker} ${model} has no part ${part}. Nothing was logged.`,
  aLookShowsOneOf: "A look shows one of the things a part can show; a meter shows a reading. Nothing was logged.",
  continuityBeepsOrDoesNot: "Continuity beeps or does not; no other function does. Nothing was logged.",
  aClampHasNoBlack: "A clamp has no black lead. Nothing was logged.",
  hasNoPlaceForA: (name: string, red: string) => `${name} has no place ${red} for a clamp. Nothing was logged.`,
  thisTestNeedsABlack: "This test needs a black lead. Nothing was logged.",
  hasNoPointNothingWas: (name: string, unknown: string) => `${name} has no point ${unknown}. Nothing was logged.`,
  bothLeadsOnOnePoint: "Both leads on one point measure nothing. Nothing was logged.",
  nothingWasLogged: (danger: string) => `${danger} Nothing was logged.`,
  thisMachineHasNoSuch: "This machine has no such complaint.",
  theBlackLeadOn: (referenceName: string) => `the black lead on ${referenceName}`,
  theLeadOn: (which: string, words: string) => `the ${which} lead on ${words}`,
  acVoltsInsteadOfDc: "AC volts instead of DC",
  dcVoltsInsteadOfAc: "DC volts instead of AC",
  theLowImpedanceSetting: "the low-impedance setting",
  theUnitStandingOtherwise: (otherName: string) => `the unit standing otherwise: ${otherName}`,
  nameBesideIt: (name: string) => `${name} beside it`,
  countedFromTheWrongEnd: (mirroredName: string) => `${mirroredName}, counted from the wrong end`,
  measuredAgainItShowedSomething: "Measured again, it showed something else; the earlier reading no longer counts.",
  noRemainingSuspectGivesThis: "No remaining suspect gives this reading. Measure it again.",
  noRemainingSuspectGivesThisReading:
    "No remaining suspect gives this reading, and no usual slip explains it. Measure it again, then look for a difference from the file.",
  ifAllIsWell: "If all is well",
};
