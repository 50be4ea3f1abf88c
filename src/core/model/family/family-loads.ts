import type { QuickLoad } from "../quick/quick-load";
import type { QuickSupply } from "../quick/quick-supply";

/** A load with its rating in watts, as families have them; sizes from memory. */
export const load = (
  name: string,
  kind: QuickLoad["kind"],
  watts: number,
  more: Partial<QuickLoad> = {},
): QuickLoad => ({
  name,
  kind,
  watts,
  ...more,
});

/** The line voltage of a heater on split phase is between both lines. */
export const betweenLines = (supply: QuickSupply): Partial<QuickLoad> =>
  supply.kind === "split phase" ? { feed: { from: "both lines", volts: supply.volts } } : {};

/** A load of direct volts from the board. */
export const fromBoard = (volts: number): Partial<QuickLoad> => ({ feed: { from: "board", volts } });
