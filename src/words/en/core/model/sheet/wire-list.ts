/** What core/model/sheet/wire-list says to people, in English. */
export const say = {
  noSuchPlace: (name: string) => `"${name}" is no point, pin or net of this file.`,
  wireColourEnds: (line: string) => `"${line}": wire, colour, and its two ends: W4 brown T-C comp-line`,
  sameEnds: (id: string) => `${id} begins and ends at the same place.`,
  fromTo: (from: string, to: string) => `${from} to ${to}`,
  noSuchHarness: (name: string) => `There is no assembly ${name} in this file.`,
  goesElsewhere: (id: string, from: string, to: string) =>
    `${id} is in the file already, from ${from} to ${to}: call this one otherwise, or mend that one first.`,
};
