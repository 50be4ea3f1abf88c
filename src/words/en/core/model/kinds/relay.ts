/** What core/model/kinds/relay says to people, in English. */
export const say = {
  interlockDoesNotHold: "mechanical interlock does not hold it off",
  coilOpen: "coil open",
  contactDoesNotMake: "contact does not make",
  contactWeldedShut: "contact welded shut",
  burntOrCrackedJointUnder: "burnt or cracked joint under the relay",
  noClick: "no click",
  coilOhmsContactOpenAt: "Coil ohms; contact open at rest, closed with the coil fed.",
  aSmallerRelay: "a relay too small for its load had been put in",
  isItRatedForItsLoad: "Is its contact rated for less than its load takes, motor and lamp ratings counted?",
  nothingTakesUpWhatItsLoadGives: "nothing takes up what its load gives back: suppression missing or open",
  isItsSuppressionThere: "Is the diode, varistor or RC across its load missing or open?",
  itChatters: "it chatters: its coil gets too little, or its driver is tired",
  doesItChatter: "Does it chatter, or does its coil get less than three quarters of its volts?",
  wornByItsSwitchings: "worn by its own switchings, nothing found behind it",
  isItWornOnly: "Are its load, its coil volts and its suppression all sound?",
};
