/** A fault: one part in one failure mode. */
export interface Fault {
  readonly part: string;
  readonly mode: string;
}

/** The name of a fault in dictionaries and journals: `F1:blown`. */
export function faultId(fault: Fault): string {
  return `${fault.part}:${fault.mode}`;
}
