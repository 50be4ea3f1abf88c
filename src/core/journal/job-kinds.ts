/** What a job is for. Jobs opened before there were kinds are repairs. */
export const JOB_KINDS = ["repair", "fit", "setting", "check", "lay up"] as const;
export type JobKind = (typeof JOB_KINDS)[number];

/** What a check over is made for, and which way a unit is laid up. */
export const PURPOSES = {
  check: ["second opinion", "after another's repair", "before sale"],
  "lay up": ["put into service", "laid up"],
} as const;

/** The unit as a whole, where a repair would name an assembly. */
export const WHOLE_UNIT = "*";
