/** What core/model/kinds/diode says to people, in English. */
export const say = {
  deadOneLeadOffDiode: "Dead, one lead off: diode function both ways.",
};
