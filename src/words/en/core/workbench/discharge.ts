/** What core/workbench/discharge says to people, in English. */
export const say = {
  typeTheCapacitorAndThe: "Type the capacitor and the volts on it.",
  theCapacitor: "The capacitor",
  theSafeVoltage: "The safe voltage",
  stored: "Stored",
  textbookFromAbout10J: "textbook; from about 10 J a shock can kill, from memory",
  belowTheSafeVoltage: "Below the safe voltage",
  theResistor: "The resistor",
  belowSafeAfter: (safe: string) => `Below ${safe} after`,
  firstOrderDecayTextbook: "first-order decay, textbook",
  theResistorTakesAtFirst: "The resistor takes at first",
  resistorForWithin: (within: string) => `Resistor for ${within}`,
  forAtFirst: (quantityText: string, volts: string) => `${quantityText}, for ${volts} at first`,
  neverWithAScrewdriverThrough:
    "Never with a screwdriver: through a resistor, with insulated clips; then measure. Dead is what the meter says.",
  aCapacitorCreepsUpAgain: "A capacitor creeps up again by itself: leave the resistor on while you work.",
  aPlugsOwnPinsAt:
    "A plug's own pins: at most 34 V one second after unplugging (IEC 60335-1, 22.5). That is no rule for the bulk capacitor.",
  storedCharge: "Stored charge",
  energyWaitingTimeDischargeResistor: "Energy, waiting time, discharge resistor",
  capacitor: "Capacitor",
  voltsOnIt: "Volts on it",
  bleederOrResistor: "Bleeder or resistor",
  emptyNoneKnown: "empty: none known",
  wantedWithin: "Wanted within",
  safeBelow: "Safe below",
};
