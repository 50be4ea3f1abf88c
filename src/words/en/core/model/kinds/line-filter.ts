/** What core/model/kinds/line-filter says to people, in English. */
export const say = {
  lineChokeOpen: "line choke open",
  neutralChokeOpen: "neutral choke open",
  shortedAcrossTheLines: "shorted across the lines",
  filterCaseBulgedOrBurnt: "filter case bulged or burnt",
  itsCapacitorHoldsACharge:
    "Its capacitor holds a charge after unplugging; wait a second before you touch the plug's pins.",
  unpluggedOhmsThroughEachLine:
    "Unplugged: ohms through each line, near zero; between the lines, the discharge resistor.",
};
