/** What core/model/kinds/capacitor says to people, in English. */
export const say = {
  bulgedOrLeaking: "bulged or leaking",
  aCapacitorHoldsItsCharge:
    "A capacitor holds its charge: discharge it through a resistor, prove it under 5 V, then take one lead of it off.",
  dischargedOneLeadOffCapacitance: "Discharged, one lead off: capacitance, then ohms.",
};
