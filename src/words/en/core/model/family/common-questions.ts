/** What core/model/family/common-questions says to people, in English. */
export const say = {
  boards: {
    ask: "How many boards?",
    choices: {
      "1": "One",
      "2": "Two: one of them with the display",
      "3": "Three: relays, logic, display",
    },
  },
  link: { ask: "What feeds the next board?", choices: { "5": "5 V", "12": "12 V", "24": "24 V" } },
  talk: {
    ask: "Between relay board and logic board",
    choices: { series: "A few wires: they talk in series", each: "A wire for each load" },
  },
  face: {
    ask: "What shows its codes?",
    choices: { display: "A display", lamp: "A lamp that blinks", none: "Nothing" },
  },
  yesNo: { yes: "Yes", no: "No" },
};
