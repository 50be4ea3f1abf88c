/** What core/journal says to people, in English. */
export const say = {
  liveWithCoverOff: (cover: string) =>
    `It has power, and a cover is off (${cover}): not safe to leave. Stay in sight, or take the power off and lock it.`,
  noPlaceForTheSleepCurrent: "The machine's file does not say where its sleep current is logged.",
  sleepCurrentLogged: "Sleep current, logged",
  atMostMilliamps: (milliamps: number) => `at most ${milliamps} mA`,
  onToMeasuring: "On to measuring.",
  putRightTheComplaintStays: (sentence: string) => `Put right (${sentence}); the complaint stays.`,
  isGone: "is gone",
  triedTheComplaint: (assemblyName: string, repair: string, came: string) =>
    `Tried: ${assemblyName}, ${repair}. The complaint ${came}.`,
  mainsAtVoltsV: (volts: number) => `mains at ${volts} V`,
  worksWorksWordsNotFails: (worksWords: string, failsWords: string) => `Works: ${worksWords}. Not: ${failsWords}.`,
  loadNameNotShouldWithin: (loadName: string, should: string, seconds: number) =>
    `${loadName}: not ${should} within ${seconds} s`,
  settingNameSetToValue: (settingName: string, value: string, words: string) =>
    `${settingName} set to: ${value}, ${words}`,
  enteredAsOnTheNew: (value: string) => `entered as ${value} on the new board`,
  setToOnTheNew: (value: string) => `set to ${value} on the new board`,
  takenBack: "taken back",
  entryDoesNotFollowEntry: (seq: number, lastSeq: number, job: string) =>
    `Entry ${seq} does not follow entry ${lastSeq} of job ${job}.`,
  thisJobHoldsAnEntry:
    "This job holds an entry of a newer Unzo. It can be read here, not added to. Nothing was changed.",
  thisJobIsOpenAlready: "This job is open already.",
  thisJobIsClosedIt: "This job is closed: it cannot be dropped any more.",
  thatPhotoIsNotKept: "That photo is not kept here. Send it first; nothing was logged.",
  thisUnitHasNoSuch: "This unit has no such temporary repair to make good.",
  hasNoSetupNothingWas: (name: string, setup: string) => `${name} has no setup ${setup}. Nothing was logged.`,
  hasNoCoverNothingWas: (name: string, panel: string) => `${name} has no cover ${panel}. Nothing was logged.`,
  hasNoSettingNothingWas: (maker: string, model: string, setting: string) =>
    `${maker} ${model} has no setting ${setting}. Nothing was logged.`,
  recordWhatWasFoundBefore: (settingName: string) =>
    `${settingName}: record what was found before it is changed. Nothing was logged.`,
  thereIsNoSuchEntry: "There is no such entry in this job to strike out.",
  somethingFoundLaterBuildsOn: (message: string) =>
    `Something found later builds on this; take that back first. ${message}`,
  thisChangeIsRefused: (fault: string) => `This change is refused. ${fault}`,
  thisJournalDoesNotBegin: "This journal does not begin with the opening of the job.",
  thisJournalOpensTheJob: "This journal opens the job twice.",
  notThere: "not there",
  thisJobIsNotClosed: "This job is not closed: whether it held is not asked yet. Nothing was logged.",
  hasNoSuchFault: (machine: string, fault: string) => `${machine} has no fault ${fault}. Nothing was logged.`,
};
