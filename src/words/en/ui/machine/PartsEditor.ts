/** What ui/machine/PartsEditor says to people, in English. */
export const say = {
  newPart: "New part",
  noPartsYet: "No parts yet.",
  join: "Join two places",
  joinExample: "J2-3 to fan +",
  joinThem: "Join",
  bothEnds: "Type both ends, joined by to: J2-3 to fan +",
  joined: (words: string) => `${words}.`,
  partNamed: (name: string) => `The part ${name}`,
  kind: "kind",
  assembly: "assembly",
  ofPart: (n: number) => `of part ${n}`,
  chooseIt: "choose its kind",
  aboutThisKind: "About this kind",
  terminals: "Terminals, and the net, pin or point each lies at",
  takeOut: "Take this part out",
};
