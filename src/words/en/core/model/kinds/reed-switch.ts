/** What core/model/kinds/reed-switch says to people, in English. */
export const say = {
  neverCloses: "never closes",
  neverOpens: "never opens",
  deadPlugOffContinuityWith: "Dead, plug off: continuity with the magnet near and away.",
};
