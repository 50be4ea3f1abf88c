/** What core/model/kinds/wire says to people, in English. */
export const say = {
  chafedOrStretchedWire: "chafed or stretched wire",
  unpluggedAtBothEndsContinuity: "Unplugged at both ends: continuity while the loom is flexed.",
};
