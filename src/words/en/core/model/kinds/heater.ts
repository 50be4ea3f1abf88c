/** What core/model/kinds/heater says to people, in English. */
export const say = {
  burntOut: "burnt out",
  leaksToItsCase: "leaks to its case",
  visibleBreakOrBurnOn: "visible break or burn on the element",
  theSheathIsHotAfter: "The sheath is hot after a defrost. Let it cool before you touch it.",
  deadOneLeadOffOhms: "Dead, one lead off: ohms against volts squared over watts; then each end to the case.",
};
