/** What core/model/kinds/run-capacitor says to people, in English. */
export const say = {
  hasLostItsCapacitance: "has lost most of its capacitance",
  capacitorBulgedOrLeaking: "capacitor bulged or leaking",
  aCapacitorHoldsItsCharge:
    "A capacitor holds its charge: discharge it through a resistor, prove it under 5 V, then take one lead of it off.",
  dischargedLeadsOffCapacitanceAgainst: "Discharged, leads off: capacitance against its print.",
};
