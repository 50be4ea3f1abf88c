/** What core/model/as-found says to people, in English. */
export const say = {
  thereIsNoPartCalled: (part: string) => `There is no part called ${part}.`,
  aIsNotSomethingFound: (changeKind: string) => `A ${changeKind} is not something found in a lead.`,
  hasNoTerminal: (part: string, terminal: string) => `${part} has no terminal ${terminal}.`,
  replaceOnceItsCauseIs: (changeName: string) => `Replace: ${changeName}, once its cause is found`,
  changeNameFarEnd: (changeName: string) => `${changeName}, far end`,
  aWireHasNoRatings: "A wire has no ratings; take it out, or put a part into it.",
  hasTerminalsOnlyAPart: (part: string, count: number) =>
    `${part} has ${count} terminals; only a part of two can be bridged.`,
  bridgeInPlaceOf: (part: string) => `Bridge in place of ${part}`,
  theChange: "The change",
  foundInTheLeadOf: (changeName: string, name: string, part: string) =>
    `${changeName} found in the lead of ${name}${part}`,
  isAnotherOne: (name: string, fields: string) => `${name} is another one: ${fields}`,
  isNotThereBridged: (name: string) => `${name} is not there, bridged`,
  isNotThere: (name: string) => `${name} is not there`,
};
