/** Logs of a current, and what a machine draws asleep. What others may use of it; nothing else is reached. */

export { type CurrentLog, readCurrentLog, thinned, UnreadableLog } from "./current-log";
export { analyseSleep, daysUntilFlat, drawnAsleep, judgeSleep, type Sleep, type SleepLimits } from "./sleep-current";
