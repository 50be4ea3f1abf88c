import type { Verdict } from "../../core/diagnose";

/** What a reading was, in words; a journal keeps the code. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fits: "as expected",
  "does not fit": "not as expected",
};
