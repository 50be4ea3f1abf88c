/** What ui/machine/ConnectorView says to people, in English. */
export const say = {
  thisFileNamesNoPlugs: "This file names no plugs.",
  seenFrom: "Seen from",
  seenFromTheSide: (s: string) => `seen from the ${s} side`,
  nearWordsToFarWords: (nearWords: string, farWords: string) => `${nearWords} to ${farWords}`,
  pinPin: (pin: string) => `Pin ${pin}:`,
};
