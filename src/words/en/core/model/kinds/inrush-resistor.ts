/** What core/model/kinds/inrush-resistor says to people, in English. */
export const say = {
  burntOpen: "burnt open",
  resistorCrackedOrBlack: "resistor cracked or black",
  whenItHasBurntOpen: "When it has burnt open, look for a short behind it before it is renewed.",
  deadOhmsAgainstItsPrint: "Dead: ohms against its print.",
};
