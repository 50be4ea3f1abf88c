/** What core/model/kinds/breaker says to people, in English. */
export const say = {
  contactBurntOpen: "contact burnt open",
  poleBurntOpen: (n: number) => `pole ${n} burnt open`,
  handleStandsMidway: "handle stands midway",
  aBreakerThatTrippedHas: "A breaker that tripped has a reason: prove what is behind it dead before it is set again.",
  deadContinuityOfEachPole: "Dead: continuity of each pole, on and off.",
};
