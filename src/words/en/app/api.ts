/** What app/api says to people, in English. */
export const say = {
  itStandsInTheLog: (sentence: string, mark: string) => `${sentence} It stands in the log under ${mark}.`,
  thatIsMoreThanCan: "That is more than can be taken at once. Nothing was changed.",
  thisDictionaryIsNotBuilt: "This dictionary is not built yet.",
  theRequestIsNoJson: "The request is no JSON. Nothing was changed.",
  theRequestHoldsHalfA: "The request holds half a character or nests too deep. Nothing was changed.",
};
