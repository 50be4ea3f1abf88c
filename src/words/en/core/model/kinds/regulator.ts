/** What core/model/kinds/regulator says to people, in English. */
export const say = {
  noOutput: "no output",
  shortedPassesItsInput: "shorted, passes its input",
  tooHotToTouch: "too hot to touch",
  inputAndOutputVoltsAgainst: "Input and output volts against its own return.",
};
