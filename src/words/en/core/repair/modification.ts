/** What core/repair/modification says to people, in English. */
export const say = {
  noProtectivePartDoorSwitch: "No protective part, door switch or earth is taken out or made weaker.",
  loadsInSituationsNoneRuns: (count: number, count2: number) =>
    `${count} loads in ${count2} situations: none runs where it did not run before.`,
  wouldRunSoInOf: (load: string, situation: string, count: number, count2: number) =>
    `${load} would run: ${situation}. So in ${count} of ${count2} cases.`,
  withEachOfSingleFaults: (count: number) =>
    `With each of ${count} single faults, no load runs where it did not run before.`,
  withWouldRunCasesMore: (faultName: string, load: string, situation: string, count: number) =>
    `With ${faultName}, ${load} would run: ${situation} (${count} cases more than before).`,
  everyLoadComesOnWhen: "Every load comes on when it came on before.",
  everyLoadThatWasBehind: "Every load that was behind a fuse or breaker still is.",
  noFuseOrBreakerWould: (bare: string) => `No fuse or breaker would stop ${bare}.`,
  itWouldNoLongerRun: (l: string) => `It would no longer run: ${l}.`,
  hasNoRatingInThe: (name: string) =>
    `${name} has no rating in the model: choose it for the current and the heat at its place.`,
  breaksAnInductiveLoadFit: (name: string) =>
    `${name} breaks an inductive load: fit the suppression that the load's manufacturer asks for.`,
  wiresCarryWhatTheFuse:
    "Wires carry what the fuse before them lets through: as thick as the old ones, insulated for mains, held and strain-relieved.",
  wouldRunInOfSituations: (worstName: string, count: number, count2: number, words: string) =>
    `${worstName} would run in ${count} of ${count2} situations in which it does not run now: ${words}.`,
  nothingIsPutIntoA: "Nothing is put into a protective conductor.",
  aCordIsNotTaken: "A cord is not taken out.",
  aProtectiveConductorIsNot: "A protective conductor is not taken out.",
  protectsPeopleOrTheMachine: (name: string) =>
    `${name} protects people or the machine: it is neither taken out nor bridged.`,
  protectsMayNotBecome: (name: string, field: string, old: number, value: string) =>
    `${name} protects: ${field} ${old} may not become ${value}.`,
  nameProtectsFieldStaysOld: (name: string, field: string, old: string) => `${name} protects: ${field} stays ${old}.`,
  inAfterSBefore: (name: string, label: string, setupName: string, is: string, part: string) =>
    `${name} ${label} in ${setupName} after ${is} s, before ${part}.`,
  putInAt: (changeName: string, name: string) => `${changeName} put in at ${name}`,
  isAnotherPart: (name: string, entries: string) => `${name} is another part: ${entries}`,
  nameTakenOutPart: (name: string, part: string) => `${name} taken out${part}`,
  doorsShut: ", doors shut",
  runningStartingRated: (
    linkName: string,
    running: string | undefined,
    starting: string | undefined,
    rated: string | undefined,
  ) => `${linkName}: ${running} running, ${starting} starting, rated ${rated}`,
};
