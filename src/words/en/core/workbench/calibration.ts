/** What core/workbench/calibration says to people, in English. */
export const say = {
  twoRowsAtLeastStimulus: "Two rows at least: stimulus, indicated.",
  allStimuliAreAlikeNothing: "All stimuli are alike: nothing to compare.",
  rowStimulusThenWhatIs: (i: number, line: string) => `Row ${i}, "${line}": stimulus, then what is shown.`,
  largestError: "Largest error",
  maxShownTrue: "max (shown - true)",
  lineThroughAll: "Line through all",
  shownShowShow2True: (show: string, show2: string) => `shown = ${show} + ${show2} × true`,
  leastSquares: "least squares",
  bendAboutThatLine: "Bend about that line",
  calibrationTable: "Calibration table",
  trueAgainstShownErrorVerdict: "True against shown: error, verdict, chart",
  trueShownOnePairA: "True, shown: one pair a line",
  allowedError: "Allowed error",
  unit: "Unit",
  withinShowEverywhere: (show: string) => `Within ${show} everywhere.`,
  whatToSet: "What to set",
  zeroIsOff: (by: string, down: boolean) => `Off by ${by} everywhere: set its zero ${down ? "down" : "up"} by as much.`,
  spanIsOff: (by: string, up: boolean) => `Off in proportion: set its span ${up ? "up" : "down"} by ${by}.`,
  zeroAndSpanAreOff: (zero: string, down: boolean, span: string, up: boolean) =>
    `Zero and span: the zero ${down ? "down" : "up"} by ${zero}, then the span ${up ? "up" : "down"} by ${span}; look at the zero again.`,
  offAndBentNoAdjustment: "Off, and bent: no adjustment mends it.",
};
