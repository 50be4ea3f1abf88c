import { type MeterFunction, needsDeadCircuit } from "../instrument";
import { say } from "#words/core/safety";

/**
 * Why a linked meter may not be set from one function to another, as a sentence; null when it may. From volts, or from
 * a function that is not known, to one that feeds a current of its own only with the leads off: on a live circuit it
 * would be destroyed, and perhaps who holds it.
 */
export function changeRefused(from: MeterFunction | null, to: MeterFunction, leadsOff: boolean): string | null {
  if (!needsDeadCircuit(to) || (from !== null && needsDeadCircuit(from)) || leadsOff) return null;
  return say.takeTheLeadsOffFirst;
}
