/** What core/quantity says to people, in English. */
export const say = {
  whichIsMeant: (typed: string, whole: string, fraction: string) =>
    `"${typed}": ${whole} or ${fraction}? Type it as ${whole}, or as ${fraction}.`,
  nothingTypedYetTypeWhat: "Nothing typed yet. Type what the meter shows, or the word nothing.",
  aBeepBelongsToContinuity: "A beep belongs to continuity; this test asks for a number.",
  aLone1CanBe: "A lone 1 can be one ohm or an overload on a manual range. Which is it?",
  forContinuityTypeBeepOr: "For continuity type beep, or nothing.",
  isNoReadingTypeA: (typed: string) =>
    `"${typed}" is no reading. Type a number such as 13.2, 4k7 or 3-11, OL, or nothing.`,
  thatIsInThisTest: (word: string, word2: string) =>
    `That is in ${word}; this test asks for ${word2}. Change the function if that is what was measured.`,
  thisIsNeverBelowZero: "This is never below zero. Check the sign, and the function the meter is set to.",
  aResistanceBelowZeroMeans:
    "A resistance below zero means voltage on the leads. Prove the circuit dead, then measure again.",
  noBeep: "no beep",
  nothingTypedYet: "Nothing typed yet.",
  isInAnotherUnitThis: (typed: string, unitWords: string) =>
    `"${typed}" is in another unit; this field wants ${unitWords}.`,
  isNoNumberOf: (typed: string, unitWords: string) => `"${typed}" is no number of ${unitWords}.`,
  thisField: "this field",
  nothingIsAsColdAs: "Nothing is as cold as that: absolute zero is -273.15 °C.",
  gaugesRunFrom40: "Gauges run from 4/0 to 40.",
  isNoPercentage: (typed: string) => `"${typed}" is no percentage.`,
  withoutEnd: "without end",
  wireSize: "wire size",
};
