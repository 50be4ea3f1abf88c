/** What ui/figures says to people, in English. */
export const say = {
  figures: "How the shop does",
  by: "By",
  since: "Closed since",
  counted: (jobs: number, since: string) =>
    `${jobs} closed ${jobs === 1 ? "repair" : "repairs"} since ${since}. Practice and dropped jobs are not counted.`,
  none: "No repair was closed in this time.",
  firstTime: "Does the first job end it?",
  firstTimeSays: (held: string, of: number, notKnown: number) =>
    `${held} of ${of} complaints that came in for the first time were ended for good.${
      notKnown > 0
        ? ` Of ${notKnown} ${notKnown === 1 ? "repair" : "repairs"} nobody knows yet: they are not counted.`
        : ""
    }`,
  cameBack: "What comes back?",
  cameBackSays: (came: number, of: number) => `${came} of ${of} repairs of which it is known came back.`,
  noFault: "How often is nothing found?",
  noFaultSays: (none: number, of: number) => `${none} of ${of} jobs ended without a fault found.`,
  boards: "Were good boards bought?",
  boardsSays: (vain: number, of: number, cost: string) =>
    `In ${vain} of ${of} repairs that bought a board the complaint stayed, or came back and was something else. Spent on them: ${cost}.`,
  boardsNone: "No board was bought in this time.",
  minutes: "How long are hands on a job?",
  minutesSays: (minutes: string) => `Half of the jobs took less than ${minutes}.`,
  steps: "Where does the time go, and against the book?",
  stepsSays: (words: string, took: string, book: string) =>
    `Most beyond the book goes into: ${words}, ${took} for ${book}.`,
  stepsNone: "No step was timed in this time.",
  causes: "What does each cause cost?",
  causesSays: (shown: number, all: number) =>
    shown < all ? `The ${shown} dearest of ${all} causes.` : `All ${all} causes.`,
  causesNone: "No cause was named in this time.",
  between: (low: string, high: string) => `between ${low} and ${high}`,
  few: "few",
  fewSays: (low: string, high: string) => `Few: the true share may lie anywhere between ${low} and ${high}.`,
  nothingKnown: "Nothing is known of it yet.",
  numbers: "Numbers",
  asFile: "As a file (CSV)",
  everyJob: "Every job as a file (CSV)",
  share: "share",
  of: "of",
  took: "taken",
  book: "by the book",
  count: "times",
  step: "step",
  jobs: "jobs",
  cost: "cost",
  cause: "cause",
  min: (minutes: number) =>
    minutes < 120 ? `${Math.round(minutes)} min` : `${Math.floor(minutes / 60)} h ${Math.round(minutes % 60)} min`,
  minutesShort: "min",
  chartOf: (question: string) => `Chart: ${question} The same numbers stand beneath.`,
};

export const BY_WORDS = { month: "month", machine: "machine", person: "person" };

/** Kinds of steps as charts name them. */
export const STEP_WORDS = {
  covers: "Covers",
  power: "Plug and power",
  plugs: "Plugs inside",
  "into a state": "Into a state",
  measure: "Measuring",
  look: "Looking",
  "by hand": "By hand",
  repair: "Repair",
  proof: "Proof",
};
