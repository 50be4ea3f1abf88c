/**
 * A machine brought into a setup, and what a meter or an eye finds there. What others may use of it; nothing else is
 * reached.
 */

export { type Controls, controlsOf, type Doing, MachineAtHand } from "./at-hand";
export { isByHand, labelsIn, turnsByHand } from "./by-hand";
export { programOf } from "./conditions";
export { Simulator } from "./energise";
export { type Hand, handsOf, walkHands } from "./hand-walk";
export { observe, observeAll, observeInto } from "./observe";
export { hangsOn, unspokenNodes } from "./unspoken";
export { displayPart, type Slip, slipsOf } from "./perform";
export type { CircuitSnapshot } from "./stamped-circuit";
export { NoOperatingPoint, type State } from "./state";
export { type Instant, makeTest, RECHECK, RECHECK_SOON, type Test, testKey } from "./test";
export { sampledValues, nominalValues, type Values } from "./values";
export { whatRuns } from "./what-runs";
export { secondsUntil } from "./when";
