/** Names the wait for what was cleaned on an assembly; by this it is known from a wait of the proof. */
export const dryingOf = (assembly: string): string => `dry ${assembly}`;

/** Minutes that what was cleaned dries, where the label is not read; from memory. */
export const USUAL_DRYING = 10;
