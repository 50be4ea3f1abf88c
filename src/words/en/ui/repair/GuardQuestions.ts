/** What ui/repair/GuardQuestions says to people, in English. */
export const say = {
  didTheBoardWatchOver: "Did this board watch over more than its loads?",
  whatNobodyKnows: "Its file does not say. Try it on the sound unit, or ask; what is lost has to be replaced.",
  theBoardWatchedOver: "This board watched over more than its loads",
  whatTheModelShows:
    "Where the model shows it, the proof says whether it is lost. Where it does not, say what does it from now on.",
  shownByTheModel: "The proof shall say",
  doneByAnother: "Done by something else",
  guard: {
    sequence: "Order of the switches: both let go between two strokes",
    temperature: "Temperature: it stops when hot",
    undervoltage: "Low pack: it stops before the pack is empty",
    stall: "Held motor: it stops by itself",
    brake: "Brake: it stops at once when let go",
  },
  notKnown: "Not known",
  itDidNot: "No",
  itDid: "Yes",
  nowDoneBy: "From now on done by",
};
