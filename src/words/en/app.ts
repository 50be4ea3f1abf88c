/** What app says to people, in English. */
export const say = {
  itStandsInTheLog: (digest: string) => ` It stands in the log under ${digest}.`,
  theDatabaseDoesNotAnswer: "The database does not answer",
  thisDidNotWork: "This did not work",
  thePageCouldNotBe: (mark: string) =>
    `The page could not be made, though the database answers: a fault of Unzo's own. Nothing was changed and nothing is lost.${mark}`,
  thePageCouldNotBeMade: "The page could not be made. Nothing was changed and nothing is lost; try again in a moment.",
  unzoStoppedHere: "Unzo stopped here",
  thePageCouldNotBeMadeNothing: "The page could not be made. Nothing was changed and nothing is lost.",
  markInTheLog: (digest: string) => `Mark in the log: ${digest}`,
  tryAgain: "Try again",
  findsTheFaultInA: "Finds the fault in a machine from the model of the machine.",
  notHere: "Not here",
  thereIsNoSuchPage: "There is no such page or job. It may have been mistyped.",
};
