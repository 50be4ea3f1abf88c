/** What core/model/kinds/coin-input says to people, in English. */
export const say = {
  neverMakes: "never makes",
  jammedMakesAllTheTime: "jammed, makes all the time",
  coinOrForeignThingIn: "coin or foreign thing in the slide",
  plugOffContinuityWhileA: "Plug off: continuity while a coin is pushed through.",
};
