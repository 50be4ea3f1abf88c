/** What core/model/kinds/transistor-switch says to people, in English. */
export const say = {
  gateOhms: "gate ohms",
  onOhms: "on ohms",
  doesNotConduct: "does not conduct",
  shortedAlwaysOn: "shorted, always on",
  transistorCrackedOrScorched: "transistor cracked or scorched",
  deadOhmsDrainToSource: "Dead: ohms drain to source, overload if it is sound.",
};
