/**
 * Within what shares of its rated volts a coil must have moved its contact: bounds and not the points at which it does;
 * a relay that pulls in at 55 % is good. Common practice, no source; of an alternating coil (a contactor) from memory.
 */
export const RELAY_BOUNDS = {
  dc: { pulledInBy: 0.75, releasedBy: 0.1 },
  ac: { pulledInBy: 0.85, releasedBy: 0.2 },
} as const;

/** About where a coil on direct current really lets go, as a share of its volts or amperes; from memory. */
export const LETS_GO_ABOUT = 0.2;
