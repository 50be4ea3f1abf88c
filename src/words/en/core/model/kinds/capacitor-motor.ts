/** What core/model/kinds/capacitor-motor says to people, in English. */
export const say = {
  mainWindingOpen: "main winding open",
  auxiliaryWindingOpen: "auxiliary winding open",
  windingLeaksToTheCase: "winding leaks to the case",
  smellOfBurntVarnish: "smell of burnt varnish",
  listenWatchTheShaftOr: "Listen; watch the shaft or drum from a distance, never reach in.",
  dischargeTheRunCapacitorThrough: "Discharge the run capacitor through a resistor before you touch it.",
  movingPartsSecureWhatIt: "Moving parts: secure what it drives.",
  deadLeadsOffThreeReadings:
    "Dead, leads off: three readings between the three leads; the two smaller add up to the largest.",
};
