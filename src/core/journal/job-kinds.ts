/** What a job is for. Jobs opened before there were kinds are repairs. */
export const JOB_KINDS = ["repair", "fit", "setting", "check", "lay up"] as const;
export type JobKind = (typeof JOB_KINDS)[number];
