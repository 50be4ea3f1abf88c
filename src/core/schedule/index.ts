/**
 * A machine's own tests in their order, and the rest of its compressor. What others may use of it; nothing else is
 * reached.
 */

export { restLeft, restRule, type RestRule } from "./rest";
export { type Edge, resultWords, type RunSheet, runSheet, type SheetLoad } from "./run-sheet";
