/** What ui/job/PathView says to people, in English. */
export const say = {
  coverOff: "cover off",
  measureHere: "measure here",
  notMeasured: "not measured",
};
