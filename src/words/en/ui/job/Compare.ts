/** What ui/job/Compare says to people, in English. */
export const say = {
  thereIsNothingToCompare: "There is nothing to compare on this machine.",
  howItStands: (name: string) => `${name}: how it stands`,
  whatItDoes: (name: string) => `${name}: what it does`,
  worksOnThis: "Works on this",
  notOnThat: "Not on that",
  logTheComparison: "Log the comparison",
  loggedDone: (done: string) => `Logged. ${done}`,
};
