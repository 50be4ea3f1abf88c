/** What ui/job/JobScreen says to people, in English. */
export const say = {
  workingOutWhatEveryPoint: "Working out what every point should read",
  computing: "Computing",
  aboutTheUnit: "About the unit",
  setAside: "Set aside",
  setAsideTheUnitWas: (sentence: string) => `Set aside, the unit was changed since: ${sentence}`,
  workingOutWhatFollows: "Working out what follows",
  insideBoard: (board: string) => `Inside: ${board}`,
  whyItOpened: (name: string) => `Why: ${name}`,
};
