/**
 * Meters: what they show, how far off they may be, how they are spoken to. What others may use of it; nothing else is
 * reached.
 */

export { type AutoHold, feed, holdRuleFor, IDLE } from "./auto-hold";
export {
  isClamp,
  loadedShare,
  loadedShareAc,
  type Meter,
  METER_FUNCTIONS,
  type MeterFunction,
  needsDeadCircuit,
  ORDINARY_METER,
  unitOf,
} from "./meter";
export { configureCommand, functionNamed, LINKED, OVERLOAD, readAnswer, shortened } from "./scpi";
