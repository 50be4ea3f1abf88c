/** What ui/repair/TesterFields says to people, in English. */
export const say = {
  tester: "Tester",
  calibrated: "Calibrated on",
  thisOne: "Tested with this one",
  another: "Another tester",
  testerIs: (name: string, day: string) => `Tester: ${name}, calibrated ${day}.`,
  ranOut: "Its calibration is more than a year old.",
};
