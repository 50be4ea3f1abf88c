/** What core/model/kinds/panel says to people, in English. */
export const say = {
  goesDarkAfterAWhile: "goes dark after a while, comes back with a power cycle",
  shortedPullsTheRailDown: "shorted, pulls the rail down",
  doesNotHearTheMain: "does not hear the main board",
  waterBehindThePanel: "water behind the panel",
  touchTheDoorsBareMetal: "Touch the door's bare metal before the panel board: static kills it.",
  itsRailAtItsOwn: "Its rail at its own plug, under load, and the link beside it.",
};
