/** What core/model/kinds/contact says to people, in English. */
export const say = {
  noContact: "no contact",
  resistiveContact: "resistive contact",
  greenOrBlackContact: "green or black contact",
  plugLooseOrHalfSeated: "plug loose or half seated",
  housingBrownedByHeat: "housing browned by heat",
  pullPlugsByTheHousing: "Pull plugs by the housing, never by the wires, and only with the machine unplugged.",
  unpluggedOhmsAcrossTheMated:
    "Unplugged: ohms across the mated contact while the wire is moved; look for green, black or spread metal.",
};
