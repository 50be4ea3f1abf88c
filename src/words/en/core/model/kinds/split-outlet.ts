/** What core/model/kinds/split-outlet says to people, in English. */
export const say = {
  noVoltage: "no voltage",
  firstLegLost: "first leg lost",
  secondLegLost: "second leg lost",
  neutralLost: "neutral lost",
  lampsOnTheSameCircuit: "lamps on the same circuit go dim and others bright",
  twoLegs240VBetween: "Two legs: 240 V between them, 120 V each to neutral. One leg lost still leaves the other live.",
  legToLegThenEach: "Leg to leg, then each leg to neutral.",
};
