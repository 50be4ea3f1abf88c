/** What core/model/kinds/thermostat says to people, in English. */
export const say = {
  neverCloses: "never closes",
  neverOpens: "never opens",
  deadLeadsOffContinuityIn: "Dead, leads off: continuity in the warm and in crushed ice.",
};
