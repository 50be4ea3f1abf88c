/** What ui/codes says to people, in English. */
export const say = {
  tryingEveryFault: "Trying every fault…",
  noFaultOfItsFile: "No fault of its file shows this in any of its setups.",
  theMakersTableBlames: "The maker's table blames:",
  blamedBySimulation: (blamed: string) => `(${blamed} by simulation)`,
  theMakersTableBlamesNothing: "The maker's table blames nothing.",
  whichFaultsMakeItAppear: "Which faults make it appear",
  codes: "Codes",
  whatDoesItSay: "What does it say?",
  codeDisplayTextOrLamp: "Code, display text or lamp pattern",
  e12FlashesSensorOpen: "E1, 2 flashes, sensor open",
  noMachineOfTheLibrary: (wanted: string) =>
    `No machine of the library shows “${wanted}”. Look for a part of it, or its meaning.`,
  theFirstShown: (count: number, most: number) => `${count}, the first ${most} shown`,
  noCodeStoredForThis: "no code stored for this",
  beginTheJob: "Begin the job:",
};
