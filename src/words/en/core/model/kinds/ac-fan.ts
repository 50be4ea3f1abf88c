/** What core/model/kinds/ac-fan says to people, in English. */
export const say = {
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the winding; the blades turn freely.",
};
