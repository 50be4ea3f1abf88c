/**
 * How one may leave what waits: safe to leave (covers on, nothing starts by itself), to be stayed with in sight, or off
 * and locked; common practice, no source.
 */
export const CARES = ["leave", "watch", "locked"] as const;
export type Care = (typeof CARES)[number];

/** Longest wait that is kept, seconds: a part on order may take a quarter of a year. */
export const MOST_WAIT = 90 * 86_400;

/** Whether a person is free meanwhile. A wait of which nobody has said it is stayed with. */
export const frees = (care: Care | null | undefined): boolean => care === "leave" || care === "locked";

/**
 * How a unit may be left as it stands: without power it is locked off; with covers off, or where something will start by
 * itself, it is stayed with.
 */
export function careNow(unit: {
  readonly powered: boolean;
  readonly coversOff: boolean;
  readonly startsByItself: boolean;
}): Care {
  if (!unit.powered) return "locked";
  return unit.coversOff || unit.startsByItself ? "watch" : "leave";
}
