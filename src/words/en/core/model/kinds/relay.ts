/** What core/model/kinds/relay says to people, in English. */
export const say = {
  interlockDoesNotHold: "mechanical interlock does not hold it off",
  coilOpen: "coil open",
  contactDoesNotMake: "contact does not make",
  contactWeldedShut: "contact welded shut",
  burntOrCrackedJointUnder: "burnt or cracked joint under the relay",
  noClick: "no click",
  coilOhmsContactOpenAt: "Coil ohms; contact open at rest, closed with the coil fed.",
};
