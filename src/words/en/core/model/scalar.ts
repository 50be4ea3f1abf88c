/** What core/model/scalar says to people, in English. */
export const say = {
  isNoNumber: "is no number",
  mustBeAbove: (above: number) => `must be above ${above}`,
  mustBeAtLeast: (min: number) => `must be at least ${min}`,
  mustBeAtMost: (max: number) => `must be at most ${max}`,
  mayHoldLettersDigitsDot: "may hold letters, digits, dot, dash and underscore only",
};
