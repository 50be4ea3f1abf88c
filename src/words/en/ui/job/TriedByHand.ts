/** What ui/job/TriedByHand says to people, in English. */
export const say = {
  whatWasTried: "What was tried",
  onWhat: "On what",
  whichPlug: "Which plug",
  whichPart: "Which part",
  howItIsBridged: "How it is bridged",
  whatCameOfIt: "What came of it",
  trials: {
    reseated: "A plug pulled and put back",
    wiggled: "A plug or its wires moved",
    "good part in": "A known-good part in",
    bridged: "A low-voltage part bridged for a moment",
  },
  came: {
    "still dead": "Still dead",
    alive: "Alive",
    "alive for a while": "Alive for a while",
    bright: "Bright",
    dim: "Dim",
  },
  logged: (words: string) => `Logged: ${words} Suspects re-ranked.`,
};
