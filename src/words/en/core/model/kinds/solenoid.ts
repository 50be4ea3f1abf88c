/** What core/model/kinds/solenoid says to people, in English. */
export const say = {
  coilOpen: "coil open",
  plungerJammed: "plunger jammed",
  listenForTheClickFeel: "Listen for the click; feel the plunger.",
  aPlungerThatPullsCan: "A plunger that pulls can pinch.",
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the coil; the plunger moves freely.",
};
