/**
 * A domain: nodes that are galvanically one. What makes it deadly is its isolation, not its volts, so it is
 * found from the parts' own galvanic groups and never declared in the file.
 */
export type Energy =
  /** Joined to the mains line or neutral by anything but an isolating block, open switches included. */
  | "mains"
  /** Fed across isolation from a source of at most 60 V. */
  | "isolated low voltage"
  /** Fed from a battery of at most 60 V: no shock, but sparks, burns and moving parts. */
  | "battery"
  /** Chassis and protective earth. */
  | "earth"
  /** Nothing known feeds it: taken as hot. */
  | "unknown";

export interface Domain {
  readonly group: number;
  readonly energy: Energy;
}

/** Whether a domain is low voltage by its isolation: nothing in it reaches the mains. */
export function isLowVoltage(energy: Energy): boolean {
  return energy === "isolated low voltage" || energy === "battery";
}
