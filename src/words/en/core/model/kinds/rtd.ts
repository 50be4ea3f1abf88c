/** What core/model/kinds/rtd says to people, in English. */
export const say = {
  ohmsAt0C: "ohms at 0 C",
  plugOffOhmsAgainstIts: "Plug off: ohms against its table at the temperature it really has.",
};
