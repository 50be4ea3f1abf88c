/** What core/model/kinds/varistor says to people, in English. */
export const say = {
  shortedByASurge: "shorted by a surge",
  varistorSplitSooty: "varistor split, sooty",
  deadOhmsAcrossItOverload: "Dead: ohms across it, overload if it is sound.",
};
