/** What core/model/kinds/transistor-switch says to people, in English. */
export const say = {
  doesNotConduct: "does not conduct",
  shortedAlwaysOn: "shorted, always on",
  transistorCrackedOrScorched: "transistor cracked or scorched",
  deadOhmsDrainToSource: "Dead: ohms drain to source, overload if it is sound.",
};
