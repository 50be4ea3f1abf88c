/** What core/model/kinds/resistor says to people, in English. */
export const say = {
  deadOneLeadOffOhms: "Dead, one lead off: ohms against its bands.",
};
