/** What ui/repair/PartMatch says to people, in English. */
export const say = {
  thePartInHand: "The part in hand",
  numberOnThePartIn: "Number on the part in hand",
  revision: "Revision",
  notFitted: "Not fitted",
  noteIt: "Note it",
  goOnAllTheSameWhy: "Going on all the same: why",
  theLeadsWord: "On the word of (lead)",
  goOnAllTheSame: "Go on all the same",
  goesInAllTheSame: (reason: string, by: string) => `Goes in all the same: ${reason} (${by})`,
};
