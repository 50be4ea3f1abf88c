/** What may live on a board besides switching its loads: what is lost with it must be replaced. */
export const GUARDS = ["sequence", "temperature", "undervoltage", "stall", "brake"] as const;
export type Guard = (typeof GUARDS)[number];

/** Whether a board watched over something: that it did not, or by what that is done from now on, in words. */
export type GuardAnswers = Readonly<Partial<Record<Guard, string>>>;
/** The answer that a board did not watch over it. */
export const NOT_ON_IT = "no";
