/** What ui/job/Stopwatch says to people, in English. */
export const say = {
  timeIt: "time it",
  loadNameTimeUntilShould: (loadName: string, should: string) => `${loadName}: time until ${should}`,
  shouldNow: (should: string) => `${should} now`,
  itDoesNotCome: "it does not come",
};
