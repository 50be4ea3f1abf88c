/** What core/model/kinds/capacitor says to people, in English. */
export const say = {
  bulgedOrLeaking: "bulged or leaking",
  aCapacitorHoldsItsCharge: "A capacitor holds its charge: discharge it through a resistor, then prove it near 0 V.",
  dischargedOneLeadOffCapacitance: "Discharged, one lead off: capacitance, then ohms.",
};
