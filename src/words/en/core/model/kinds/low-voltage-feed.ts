/** What core/model/kinds/low-voltage-feed says to people, in English. */
export const say = {
  givesNothing: "gives nothing",
  breaksDownUnderLoad: "breaks down under load",
  itsOwnLampIsOut: "the supply's own lamp is out or pulses",
  noShockButItBurns: "No shock, but it burns and starts things: take it off before you join anything.",
  openThenUnderItsLoad: "Its volts open, then under its load, at its own terminals.",
};
