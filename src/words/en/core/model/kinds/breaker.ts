/** What core/model/kinds/breaker says to people, in English. */
export const say = {
  contactBurntOpen: "contact burnt open",
  poleBurntOpen: (n: number) => `pole ${n} burnt open`,
  handleStandsMidway: "handle stands midway",
  aBreakerThatTrippedHas: "A breaker that tripped has a reason: prove what is behind it dead before it is set again.",
  deadContinuityOfEachPole: "Dead: continuity of each pole, on and off.",
  tooMuchOnItsCircuit: "too much on its circuit besides this machine",
  isSomethingElseOnIt: "Is something else on its circuit that ran at the time?",
  theInrushAlone: "the inrush alone, with another trip curve than it needs",
  didItTripAtSwitchOn: "Does it trip only at the moment of switching on, and hold afterwards?",
  tiredContact: "a loose terminal that warms it",
  isItWarmAtItsTerminals: "Is a terminal of it loose or browned?",
};
