/** What ui/job/JobHeader says to people, in English. */
export const say = {
  allJobs: "All jobs",
  stateOfTheUnit: "State of the unit",
  allCoversOn: "all covers on",
  coverOff: "1 cover off",
  offCoversOff: (off: number) => `${off} covers off`,
};
