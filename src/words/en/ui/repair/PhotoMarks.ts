/** What ui/repair/PhotoMarks says to people, in English. */
export const say = {
  thePhoto: "The photo",
  openingThePhoto: "Opening the photo",
  pin: "Pin",
  arrow: "Arrow",
  itsTailWithShift: ", its tail with Shift",
  moveWithTheArrowKeys: (kind: string, i: number, part: string) => `Move ${kind} ${i} with the arrow keys${part}`,
  whatKindIShows: (kind: string, i: number) => `What ${kind} ${i} shows`,
  removeKindI: (kind: string, i: number) => `Remove ${kind} ${i}`,
  whatItShows: "What it shows",
  save: "Save",
};
