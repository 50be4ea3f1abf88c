/**
 * A machine's own tests in their order, and the rest of its compressor. What others may use of it; nothing else is
 * reached.
 */

export { restRule, restUntil, type RestRule, secondsUntilRest } from "./rest";
export { type Edge, resultWords, type RunSheet, runSheet, type SheetLoad, type SheetStep } from "./run-sheet";
export { readWaitTime } from "./wait-time";
