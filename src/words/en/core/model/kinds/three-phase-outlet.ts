/** What core/model/kinds/three-phase-outlet says to people, in English. */
export const say = {
  noVoltage: "no voltage",
  lineLost: (n: number) => `line ${n} lost`,
  neutralLost: "neutral lost: volts shift between the lines",
  earthMissing: "earth missing",
  othersOnThisCircuitToo: "other machines on this circuit stand or hum too",
  threeLines400VBetween:
    "Three live lines, their full volts between any two: switch off, lock off, and prove each pair dead.",
  eachLineToNeutralThenLineToLine:
    "Each line to neutral, then line to line, three readings alike; a licensed person's.",
};
