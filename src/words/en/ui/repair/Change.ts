/** What ui/repair/Change says to people, in English. */
export const say = {
  whatProtects: "What protects",
  anyOnePartFailed: "Any one part failed",
  sayWhatIsDifferentType: "Say what is different: type at least one rating.",
  builtIntoThisUnit: "Built into this unit",
  printTheLabel: "Print the label",
  theChange: "The change",
  aChangeIsProvenOn:
    "A change is proven on the model before anyone builds it. What protects people is never taken out, bridged or made weaker.",
  leaveOutWords: (words: string) => `Leave out: ${words}`,
  what: "What",
  proveIt: "Prove it",
  andAnotherChange: "And another change",
  everySituationWithEveryPart: "Every situation, with every part failed once",
  provingIt: "Proving it",
  whatCameOfIt: "What came of it",
  itMayBeBuilt: "It may be built.",
  situationsSituationsSimulated: (situations: number) => `${situations} situations simulated`,
  itMarksThisUnitFor:
    "It marks this unit for ever. The maker's approval may end with it; local codes and licensed trades come first.",
  reason: "Reason",
  customersWordGivenBy: "Customer's word given by",
  buildItAndMarkThe: "Build it and mark the unit",
  putAPartIntoA: "Put a part into a lead",
  anotherRating: "Another rating",
  takeAPartOut: "Take a part out",
};
