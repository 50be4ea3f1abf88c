/** What core/model/kinds/triac says to people, in English. */
export const say = {
  doesNotConduct: "does not conduct",
  shortedAlwaysOn: "shorted, always on",
  triacCrackedOrScorched: "triac cracked or scorched",
  aTriacSwitchedOffStill: "A triac switched off still leaks: its load stays live to the touch.",
  deadLoadOffOhmsBetween: "Dead, load off: ohms between the main terminals, overload if it is sound.",
};
