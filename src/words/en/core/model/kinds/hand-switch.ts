/** What core/model/kinds/hand-switch says to people, in English. */
export const say = {
  neverMakes: "never makes",
  neverBreaks: "never breaks",
  blackenedSwitchContact: "blackened switch contact",
  deadContinuityInBothPositions: "Dead: continuity in both positions, while it is wiggled.",
};
