/** What ui/repair/DryingTimer says to people, in English. */
export const say = {
  minutesOnTheLabel: "Minutes on the label",
  drying: "Cleaned contacts drying",
  dry: "Dry: end the wait",
  start: "Start the wait",
};
