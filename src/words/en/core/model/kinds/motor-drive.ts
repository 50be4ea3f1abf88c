/** What core/model/kinds/motor-drive says to people, in English. */
export const say = {
  doesNotDrive: "does not drive",
  shortedDrivesAllTheTime: "shorted, drives all the time",
  scorchedDriver: "scorched driver",
  aDriveThatFoldsBack:
    "A drive that folds back protects a seized motor: free the motor before anything else is blamed.",
  itsRailThenItsInput: "Its rail, then its input, then its output under load.",
};
