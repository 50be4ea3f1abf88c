/** Patterns of a lamp, and how a film of one is read. What others may use of it; nothing else is reached. */

export type { Flash } from "./lamp-beats";
export { matchOnLamp } from "./lamp-match";
export { type Colour, labelOf, type LampPattern, litAt, patternOf } from "./lamp-pattern";
export { type LampReading, readLamp } from "./lamp-reader";
export { LampWatch, type Spot } from "./lamp-spot";
export { readTimeList, TimeListError } from "./time-list";
