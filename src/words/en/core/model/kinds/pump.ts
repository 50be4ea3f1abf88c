/** What core/model/kinds/pump says to people, in English. */
export const say = {
  windingOpen: "winding open",
  debrisInThePump: "debris in the pump",
  listenAHandOnThe: "Listen; a hand on the hose feels the flow.",
  waterAndMainsEmptyThe: "Water and mains: empty the tub and unplug before the pump is opened.",
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the winding; the impeller turns in steps by hand.",
};
