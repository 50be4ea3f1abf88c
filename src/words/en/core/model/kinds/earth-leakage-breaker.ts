/** What core/model/kinds/earth-leakage-breaker says to people, in English. */
export const say = {
  tripsByItself: "trips by itself",
  lineContactBurntOpen: "line contact burnt open",
  neutralContactBurntOpen: "neutral contact burnt open",
  look: "Look whether its handle stays up.",
  neverBridgedAndTestedByItsKey:
    "An earth-leakage breaker is never bridged or left out to see. What trips it may put the case live: unplug, find the leak dead.",
  withNothingPluggedInItHolds:
    "With nothing plugged in it holds and its test key trips it; its trip current is for the electrician's tester.",
};
