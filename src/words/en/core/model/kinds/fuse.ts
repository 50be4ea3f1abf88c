/** What core/model/kinds/fuse says to people, in English. */
export const say = {
  glassBlackenedOrWireGone: "glass blackened or wire gone",
  aFuseThatBlewHas:
    "A fuse that blew has a reason. Prove what is behind it before a new one goes in, and only the same type and rating.",
  deadAndOutOfIts: "Dead and out of its holder: ohms, near zero.",
};
