/** What ui/job/ByItself says to people, in English. */
export const say = {
  itsSettings: "Its settings",
  onTheBenchRig: (name: string) => `On the bench rig: ${name}`,
  testByItself: (name: string) => `Test by itself: ${name}`,
  whatToDoAboutIt: "What to do about it",
};
