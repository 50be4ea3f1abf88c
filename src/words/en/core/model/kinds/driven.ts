/** What core/model/kinds/driven says to people, in English. */
export const say = {
  beltTornOrOff: "belt torn or off",
  bearingOrBeltDrags: "bearing or belt drags or is jammed",
  wornBeltRubberDust: "worn belt, rubber dust",
  watchWhetherItMovesHands: "Watch whether it moves; hands and sleeves away.",
  unplugBeforeYouReachInto: "Unplug before you reach into a drive.",
  unpluggedTurnItByHand: "Unplugged: turn it by hand and watch the motor's shaft.",
};
