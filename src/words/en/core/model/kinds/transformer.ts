/** What core/model/kinds/transformer says to people, in English. */
export const say = {
  primaryOrItsThermalFuse: "primary or its thermal fuse open",
  secondaryOpen: "secondary open",
  windingBrownedSmell: "winding browned, smell",
  deadPlugsOffOhmsOf: "Dead, plugs off: ohms of both windings; overload between them.",
};
