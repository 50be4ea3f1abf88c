/** What a reading was, in words; a journal keeps the code. */
export const VERDICT_WORDS = {
  fits: "as expected",
  "does not fit": "not as expected",
  "not judged": "not judged",
};

/** What a test exposes one to. */
export const EXPOSURE_WORDS = {
  none: "Hands off",
  dead: "Dead",
  "low voltage": "Isolated low voltage, powered",
  live: "Live mains",
};

/** What a job is for. */
export const KIND_WORDS: Readonly<Record<"repair" | "fit" | "setting" | "check" | "lay up", string>> = {
  repair: "Repair",
  fit: "Fit a module",
  setting: "Change a setting",
  check: "Check over",
  "lay up": "Put into service or lay up",
};

/** What it is for within its kind; a journal keeps the code. */
export const PURPOSE_WORDS: Readonly<Record<string, string>> = {
  "second opinion": "Check over: second opinion",
  "after another's repair": "Check over: after somebody else's repair",
  "before sale": "Check over: before sale",
  "put into service": "Put into service",
  "laid up": "Lay up",
};
