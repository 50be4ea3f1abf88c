import { plural } from "../../plural";

/** What core/repair/modification says to people, in English. */
export const say = {
  noProtectivePartDoorSwitch: "No protective part, door switch or earth is taken out or made weaker.",
  loadsInSituationsNoneRuns: (count: number, count2: number) =>
    `${count} ${plural(count, "load", "loads")} in ${count2} situations: none runs where it did not run before.`,
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
  weakest: (link: string) => `Weakest: ${link}.`,
  overloaded: (link: string) => `Overloaded: ${link}.`,
  carriesTheHeldMotor: (part: string, bears: string, motor: string, amps: string) =>
    `${part} may break ${bears}; ${motor} held still draws ${amps}.`,
  wireCarriesTheHeldMotor: (wire: string, carries: string, motor: string, amps: string) =>
    `${wire} carries ${carries}; ${motor} held still draws ${amps} through it.`,
  noRatingForDirectCurrent: (part: string, motor: string, amps: string) =>
    `${part} has no rating for direct current; ${motor} held still draws ${amps}.`,
  wireOfUnknownSize: (part: string, motor: string, amps: string) =>
    `${part} has no size; ${motor} held still draws ${amps} through it.`,
  suppressed: "What the motor gives back when the contact opens is taken up across it.",
  nothingTakesUp: (contact: string, motor: string) =>
    `Nothing takes up what ${motor} gives back when ${contact} opens: a diode across it, its band to plus.`,
  sitsTheWrongWayRound: (part: string) => `${part} leads all the time: it sits the wrong way round.`,
  resistorOf: (part: string, watts: string, size: string) =>
    `${part}: its resistor turns ${watts} into heat, take one of ${size} or more.`,
  sayItsSize: (wire: string) => `${wire}: say its size, then it is known what it carries.`,
  wireThinnerThanItsFuse: (wire: string, carries: string, fuse: string) =>
    `${wire} carries ${carries}, the fuse lets ${fuse} through: a fuse of its own, or short and well held.`,
  story: (load: string, moves: string) => `${load} would run after this: ${moves}.`,
  wouldRunAfter: (stories: string, count: number, all: number) =>
    `${stories} Today it does not. So after ${count} of ${all} orders of moves.`,
  coilGets: (relay: string, volts: string, rated: string, from: string) =>
    `The coil of ${relay} gets ${volts} of its ${rated}; it pulls in from ${from}.`,
  coilGetsTooLittle: (relay: string, volts: string, rated: string) =>
    `The coil of ${relay} gets ${volts} at most and is made for ${rated}: it may not pull in.`,
  coilGetsTooMuch: (relay: string, volts: string, rated: string) =>
    `The coil of ${relay} gets ${volts} and is made for ${rated}: it burns.`,
  ordersCannotBeTried: "What comes of the order of moves cannot be told: no operating point is found.",
  noOrderMakesItRun: (all: number) =>
    `${all} orders of what a hand does: after none does a load run that did not before.`,
  move: {
    switch: (name: string, was: boolean) => `${name} ${was ? "let go" : "worked"}`,
    door: (name: string, was: boolean) => `${name}${was ? ": no longer" : ""}`,
    key: (name: string, was: boolean) => `${name} ${was ? "let go" : "held"}`,
    magnet: (name: string, was: boolean) => `${name} ${was ? "in its place again" : "moved from its place"}`,
  } satisfies Record<string, (name: string, was: boolean) => string>,
  wouldRunOnAWeakPack: (load: string, share: number, setup: string) =>
    `${load} would run on ${share} % of the pack's volts (${setup}); today it stops.`,
  wouldRunHot: (load: string, situation: string) => `${load} would run: ${situation}; today it stops.`,
  guard: {
    sequence: "the order of the switches",
    temperature: "the temperature",
    undervoltage: "a pack that runs down",
    stall: "a motor that is held",
    brake: "braking",
  },
  guardKept: (name: string) => `The board watched over ${name}; after the change that still holds.`,
  guardMustBeReplaced: (name: string) => `The board watched over ${name}: say by what that is done from now on.`,
  guardNotKnown: (name: string) => `Whether the board watched over ${name} is not in the file. Try it or ask, and say.`,
  guardReplaced: (name: string, by: string) => `The board watched over ${name}; from now on: ${by}.`,
  showByTrial: (words: string) => `To be shown by trying it: ${words}`,
  comesOutWithTheBoard: (parts: string) =>
    `With the board comes out what protects: ${parts}. Put in the same again, no weaker.`,
  nothingIsJoinedToAn: "Nothing is joined to an earth.",
  nothingLiesAcross: (name: string) => `${name} protects: nothing is put across it.`,
  isFedByItsControlAlone: (name: string) => `${name} is fed by its own control alone: nothing new is joined to it.`,
  protectsStaysWhere: (name: string) => `${name} protects: its leads stay where they are.`,
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
