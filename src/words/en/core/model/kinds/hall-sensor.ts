/** What core/model/kinds/hall-sensor says to people, in English. */
export const say = {
  outputNeverPulls: "output never pulls",
  outputAlwaysPulls: "output always pulls",
  poweredPlugOnRailAgainst: "Powered, plug on: rail against return, then the output with the magnet near and away.",
};
