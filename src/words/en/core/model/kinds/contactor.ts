/** What core/model/kinds/contactor says to people, in English. */
export const say = {
  wholePoles: "must be a whole number of contacts",
  coilOpen: "coil open",
  doesNotPullIn: "armature jammed, does not pull in",
  contactBurnt: (n: number) => `contact ${n} burnt, does not make`,
  contactWelded: (n: number) => `contact ${n} welded shut`,
  contactsBurntOrPitted: "contacts burnt or pitted",
  coilBrowned: "coil browned, smell",
  tooSmall: "a contactor too small for its load had been put in",
  isItTooSmall: "Is it rated for less than its load takes, a motor's start counted?",
  itChatters: "it chatters: its coil gets too little",
  doesItChatter: "Does it chatter, or does its coil get less than three quarters of its volts?",
  lookAtItsArmature: "Look at its armature from where no live part is in reach.",
  neverPushedInByHandUnderVolts:
    "Never push a contactor in by hand while anything is live: it arcs and starts its load.",
  deadCoilOhmsThenEachContact:
    "Dead, locked off: coil ohms; each contact open at rest, near nothing pushed in; then the volts across its coil.",
};
