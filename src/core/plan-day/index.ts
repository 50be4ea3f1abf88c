/** What hands do in a day of several units, and what waits meanwhile. What others may use of it. */

export { type Day, type DayStep, type DayUnit, LATE } from "./day";
export { planDay, type Planned, rule } from "./plan";
export { costOf, laidOut, type Placed } from "./schedule";
