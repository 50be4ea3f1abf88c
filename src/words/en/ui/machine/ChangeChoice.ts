/** What ui/machine/ChangeChoice says to people, in English. */
export const say = {
  inTheLead: (draftKind: string) => `${draftKind} in the lead`,
  whatSitsThere: "What sits there",
  inTheLeadOf: "In the lead of",
  whichPart: "Which part",
  atItsTerminal: "At its terminal",
  called: "Called",
  drawnAsNow: (now: string) => `, drawn as ${now}`,
  itsTwoLeadsAreJoined: "its two leads are joined (bridged)",
};
