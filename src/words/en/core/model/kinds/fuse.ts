/** What core/model/kinds/fuse says to people, in English. */
export const say = {
  glassBlackenedOrWireGone: "glass blackened or wire gone",
  aFuseThatBlewHas:
    "A fuse that blew has a reason. Prove what is behind it before a new one goes in, and only the same type and rating.",
  deadAndOutOfIts: "Dead and out of its holder: ohms, near zero.",
  anotherFuseThanTheFiles: "a fuse of another rating or family than the file's had been put in",
  isItAnotherFuse: "Is its rating or family another than the file's?",
  theInrushResistorBridged: "the inrush of the supply is not limited any more",
  isTheInrushLimited: "Is the inrush resistor bridged, or does it read near nothing?",
  aWireRubbedThrough: "a wire rubbed through to metal or to another",
  hasAWireRubbedThrough: "Has a wire behind it rubbed through, at an edge or a hinge?",
  aSurge: "a surge on the mains",
  didItBlowInAStorm: "Did it blow in a storm, or when the power came back?",
  tiredOfItself: "tired of its own years, nothing found behind it",
  isItsWireOnlySagged: "Is its wire only sagged or parted, its glass clear, and all behind it sound?",
};
