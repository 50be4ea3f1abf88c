/** What core/model/kinds/pressure-switch says to people, in English. */
export const say = {
  neverCloses: "never closes",
  neverOpens: "never opens",
  hoseOffKinkedOrBlocked: "hose off, kinked or blocked",
  deadPlugOffContinuityEmpty: "Dead, plug off: continuity empty and filled (or blown gently).",
};
