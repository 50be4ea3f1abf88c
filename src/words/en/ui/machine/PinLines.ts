import { plural } from "../../plural";

/** What ui/machine/PinLines says to people, in English. */
export const say = {
  linesOfTheSheet: "Lines of the sheet",
  pasteOrType: "Paste or type its pin table: pin, colour, signal, what stands on it",
  j23RedFan13V: "J2 3 red fan + 13V",
  inState: "State they belong to",
  against: "Measured against pin",
  addLines: (n: number) => `Add ${n} ${plural(n, "line", "lines")}`,
};
