/** What ui/machine/KindsScreen and KindScreen say to people, in English. */
export const say = {
  kindsOfParts: "Kinds of parts",
  allKinds: "All kinds of parts",
  findAKind: "Relay, heater, sensor",
  noKindLikeThat: "No kind like that.",
  howItFails: "How it fails",
  whatIsNoticed: "What is noticed of it",
  byItself: "By itself",
  asAFileHasIt: "As a file has it",
  itsFields: "Its fields",
  field: "Field",
  whatItSays: "What it says",
  unit: "Unit",
  usual: "Usual",
  mayBeLeftOut: "may be left out",
  leftOut: (usual: string) => `left out: ${usual}`,
  itsTerminals: (name: string, terminals: string) => `${name} with its terminals: ${terminals}`,
};
