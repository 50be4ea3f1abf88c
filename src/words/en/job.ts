/** What a reading was, in words; a journal keeps the code. */
export const VERDICT_WORDS = {
  fits: "as expected",
  "does not fit": "not as expected",
};

/** What a test exposes one to. */
export const EXPOSURE_WORDS = {
  none: "Hands off",
  dead: "Dead",
  "low voltage": "Isolated low voltage, powered",
  live: "Live mains",
};
