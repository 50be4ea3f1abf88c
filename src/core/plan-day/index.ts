/** What hands do in a day of several units, and what waits meanwhile. What others may use of it. */

export { namesOfHands } from "./crew";
export { type Day, type DayStep, type DayUnit, LATE } from "./day";
export { type DoneBetween, doneBetween, drawnDay } from "./drawn";
export { isReady, type Meanwhile, meanwhile } from "./meanwhile";
export { planDay, type Planned, rule } from "./plan";
export { stillLeft } from "./running-over";
export { costOf, laidOut, type Placed } from "./schedule";
export { type HeldUp, heldUp, PLACE, SUPPLY, WATER } from "./rigs";
export { handsOn, type Minutes, proofAsked, ROUGH, workLeft } from "./work-left";
