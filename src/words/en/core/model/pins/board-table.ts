import { plural } from "../../../plural";

/** What core/model/pins/board-table says to people, in English. */
export const say = {
  deadOhms: "dead",
  noSuchReading: "That is no reading of volts or ohms.",
  besideTheSheet: "not on the sheet",
  contactOpen: "open",
  contactClosed: "closed",
  units: (words: string, units: number) => `${words}, ${units} ${plural(units, "unit", "units")}`,
  range: (low: string, high: string) => `${low} to ${high}`,
  pulses: (low: string, high: string) => `pulses between ${low} and ${high}`,
  either: (one: string, other: string) => `either ${one} or ${other}`,
  severalMeters: (meters: string) => `read on several meters (${meters}): ohms of chips compare on one meter only`,
  itPulses: "it pulses; the sheet says a steady value",
  twoValues: "good units differ: two values, and the sheet says one",
  isOverload: "good units show overload",
  besideIt: "good units lie beside what the sheet says",
};
