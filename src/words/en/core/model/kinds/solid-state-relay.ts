/** What core/model/kinds/solid-state-relay says to people, in English. */
export const say = {
  shortedAlwaysOn: "shorted, always on",
  doesNotConduct: "does not conduct",
  inputOpen: "input open",
  scorchedOrCracked: "scorched, cracked or bulged",
  offItStillLeaks: "Switched off it still leaks: with its load unplugged the wire behind it is at mains.",
  deadThenItsInputThenItsOutput:
    "Dead: ohms across its output, overload if it is sound. Running: volts at its input, then across its output.",
};
