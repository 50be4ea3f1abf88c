/** What core/model/kinds/engine-set says to people, in English. */
export const say = {
  cranksAndDoesNotStart: "cranks and does not start",
  starterOpen: "starter open",
  runsGivesNoVoltage: "runs, gives no voltage",
  tankOrTapEmpty: "tank or tap empty",
  listenOutsideTheCoverExhaust: "Listen outside the cover; exhaust and belts away from hands.",
  itMayStartByItself:
    "It may start by itself at any moment. Lock it out, then take the black lead off the start battery.",
  exhaustKillsIndoorsTheEngine: "Exhaust kills indoors; the engine is hot.",
  lockedOutVoltsAtThe: "Locked out: volts at the starter while it cranks; then volts of the generator.",
};
