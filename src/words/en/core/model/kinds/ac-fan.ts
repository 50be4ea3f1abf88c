/** What core/model/kinds/ac-fan says to people, in English. */
export const say = {
  windingOhms: "winding ohms",
  runAmps: "run amps",
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the winding; the blades turn freely.",
};
