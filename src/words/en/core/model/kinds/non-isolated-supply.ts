/** What core/model/kinds/non-isolated-supply says to people, in English. */
export const say = {
  noOutputDropperFuseResistor: "no output (dropper, fuse resistor or converter open)",
  dropperHasLostItsCapacitance: "dropper has lost its capacitance, sags under load",
  boardBrownedUnderTheDropper: "board browned under the dropper",
  notIsolatedItsLowRail:
    "Not isolated: its low rail and its ground are joined to the mains. Low volts there kill like the line.",
  fedFromTheLineOn:
    "Fed from the line on the bench behind an isolating transformer: output against its own return, the neutral.",
};
