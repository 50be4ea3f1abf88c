/** What core/workbench/toggling-line says to people, in English. */
export const say = {
  theHighLevel: "The high level",
  typeWhatTheMeterShows: "Type what the meter shows on DC volts.",
  anAverageOutside0To: (high: string) =>
    `An average outside 0 to ${high} is not this line: other reference, or another high level.`,
  dutyIfItToggles: "Duty, if it toggles",
  meanOfASquareWave: "mean of a square wave",
  highForLowFor: "High for, low for",
  blackLeadOnTheGround: "Black lead on the ground of the same board.",
  aLineThatFloatsMoves: "A line that floats moves when you touch the lead's insulation; one that is driven does not.",
  togglingLine: "Toggling line",
  dcAverageAndFrequencyTo: "DC average and frequency to duty",
  dcVoltsShown: "DC volts shown",
  highLevel: "High level",
  frequency: "Frequency",
  itStandsPart: (part: string) => `It stands ${part}.`,
  itTogglesTheFrequencyConfirms: "It toggles: the frequency confirms it.",
  halfWayAndHardlyA: "Half-way and hardly a frequency: floating?",
  halfWayItTogglesOr: "Half-way: it toggles, or it floats. Measure the frequency: a floating line has none that stays.",
};
