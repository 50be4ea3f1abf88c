import type { Machine } from "./machine";

/** A fault: one part in one failure mode. */
export interface Fault {
  readonly part: string;
  readonly mode: string;
}

/** The name of a fault in dictionaries and journals: `F1:blown`. */
export function faultId(fault: Fault): string {
  return `${fault.part}:${fault.mode}`;
}

/** The assembly that a fault is in: of a board that is repaired by its components the component. */
export function assemblyOfFault(machine: Machine, fault: Fault): string {
  const part = machine.partById.get(fault.part)!;
  return part.components?.get(fault.mode) ?? part.assembly;
}
