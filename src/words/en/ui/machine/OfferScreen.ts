/** What ui/machine/OfferScreen says to people, in English. */
export const say = {
  newerFile: "Newer file",
  newerRevisionRevision: (revision: string) => `Newer revision ${revision}`,
  revisionOfPack: (revision: string, shop: string, day: string) =>
    `Revision ${revision}, in the pack of ${shop} of ${day}`,
  theirs: "Theirs",
  byPack: { theirs: "they", ours: "you", both: "you and they, otherwise" },
  tickedIsWhatOnlyThe: "Ticked is what only the newer revision changed.",
  theRevisionYoursCameFrom: "The revision yours came from is not known, so nothing is ticked.",
  yoursIsRevision: (revision: string, part: string) => `Yours is revision ${revision}. ${part}`,
  takeCountOfCount2: (count: number, count2: number) => `Take ${count} of ${count2}`,
  takeItWhole: "Take it whole",
  keepMine: "Keep mine",
  take: "Take",
  fact: "Fact",
  before: "Before",
  yours: "Yours",
  newer: "Newer",
  changedBy: "Changed by",
  takeKey: (key: string) => `Take ${key}`,
  notThere: "not there",
  withAPicture: "with a picture",
};
