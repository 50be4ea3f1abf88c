/** What core/model/kinds/door-switch says to people, in English. */
export const say = {
  neverCloses: "never closes",
  neverOpens: "never opens",
  plungerStuckOrBroken: "plunger stuck or broken",
  unpluggedContinuityWhileThePlunger: "Unplugged: continuity while the plunger is pressed and let go.",
};
