/** What core/model/kinds/valve says to people, in English. */
export const say = {
  coilOpen: "coil open",
  stuckShut: "stuck shut",
  doesNotClose: "does not close",
  limeOrGritInThe: "lime or grit in the strainer",
  listenForWaterAHand: "Listen for water; a hand on the hose feels it.",
  shutTheWaterOffBefore: "Shut the water off before the valve is taken out.",
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the coil; then fed for a moment with its own voltage.",
};
