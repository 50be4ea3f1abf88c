import { plural } from "../../plural";

/** What ui/machine/PinLines says to people, in English. */
export const say = {
  linesOfTheSheet: "Lines of the sheet",
  pasteOrType: "Paste or type its pin table: pin, colour, signal, what stands on it",
  j23RedFan13V: "J2 3 red fan + 13V",
  takenFor: "Taken for",
  mendLine: (n: number) => `Line ${n}, mended`,
  inState: "State they belong to",
  against: "Measured against pin",
  addLines: (n: number) => `Add ${n} ${plural(n, "line", "lines")}`,
};
