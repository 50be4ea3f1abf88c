/** Headings of the files that hold the numbers behind the charts, in English. */
export const say = {
  firstTime: "ended by the first job",
  cameBack: "came back",
  notKnown: "not known yet",
  noFault: "no fault found",
  boardsInVain: "boards bought in vain",
  boardsInVainCost: "cost of boards bought in vain",
  minutes: "minutes",
  took: "minutes taken",
  book: "minutes by the book",
  of: (name: string) => `${name}: of`,
  low: (name: string) => `${name}: 95 % from`,
  high: (name: string) => `${name}: 95 % to`,
};
