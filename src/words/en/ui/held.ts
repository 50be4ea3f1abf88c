/** What is said of whether a repair held, in English. */
export const say = {
  didItHold: "Did it hold?",
  held: "Held",
  cameBack: "Came back",
  itHeld: (of: string) => `It held: ${of}`,
  itCameBack: (of: string) => `It came back: ${of}`,
  kinds: { held: "held", "came back": "came back", "not known": "not known whether it held" },
  heldSoFar: "it has held so far",
  hasComeBack: "it came back",
};
