/** What core/model/kinds/rtd says to people, in English. */
export const say = {
  plugOffOhmsAgainstIts: "Plug off: ohms against its table at the temperature it really has.",
};
