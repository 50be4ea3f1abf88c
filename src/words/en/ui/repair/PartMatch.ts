/** What ui/repair/PartMatch says to people, in English. */
export const say = {
  thePartInHand: "The part in hand",
  numberOnThePartIn: "Number on the part in hand",
  revision: "Revision",
  notFitted: "Not fitted",
  noteIt: "Note it",
};
