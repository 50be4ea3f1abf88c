/** What core/model/kinds/motor says to people, in English. */
export const say = {
  windingOrBrushesOpen: "winding or brushes open",
  windingOpen: "winding open",
  brushesWorn: "brushes worn",
  windingLeaksToTheCase: "winding leaks to the case",
  smellOfBurntVarnish: "smell of burnt varnish",
  carbonDustShortBrushes: "carbon dust, short brushes",
  listenWatchTheShaftFrom: "Listen; watch the shaft from a distance, never reach in.",
  movingPartsHandsHairAnd:
    "Moving parts: hands, hair and sleeves clear; it may start by itself. Secure what it drives.",
  deadLeadsOffOhmsOf:
    "Dead, leads off: ohms of the winding, each lead to the case. Then fed directly: unloaded, secured, fused, at reduced voltage.",
};
