/** What ui/repair/ChangeSettings says to people, in English. */
export const say = {
  noSettings: "This machine has no settings in its file.",
  readFirst: "Read what is set before you change it: then it can be put back.",
  asItIs: "As it is",
  asItIsWanted: "As it is wanted",
  leaveIt: "Leave it",
  readItFirst: "Read what is set now, first.",
  tried: "Tried on the simulated board: this one comes out, the others stay.",
  comesOutOtherwise: "On the simulated board it comes out otherwise: it has no such value.",
  set: "Set",
  setAndItShows: "Set, and it shows it",
  goOnToTheProof: "Go on to the proof",
};
