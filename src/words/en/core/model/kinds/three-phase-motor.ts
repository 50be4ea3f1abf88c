/** What core/model/kinds/three-phase-motor says to people, in English. */
export const say = {
  windingOpen: (lead: string) => `winding ${lead} open`,
  seized: "seized, hums and draws start current",
  leaksToItsCase: "winding leaks to the case",
  smellOfBurntVarnish: "smell of burnt varnish",
  listenFromASafePlace: "Listen; watch the shaft from where nothing can catch you.",
  startsByItself: "It starts by itself: switch off and lock off before you touch what it drives.",
  deadThreeReadingsAlike: "Dead, locked off, leads off: three readings between the leads, alike; each to the case.",
};
