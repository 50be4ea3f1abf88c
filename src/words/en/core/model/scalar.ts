/** What core/model/scalar says to people, in English. */
export const say = {
  isNoGauge: "is no wire size: write 1.5 mm2 or 16 AWG",
  isNoNumber: "is no number",
  mustBeAbove: (above: number) => `must be above ${above}`,
  mustBeAtLeast: (min: number) => `must be at least ${min}`,
  mustBeAtMost: (max: number) => `must be at most ${max}`,
  mayHoldLettersDigitsDot: "may hold letters, digits, dot, dash and underscore only",
};
