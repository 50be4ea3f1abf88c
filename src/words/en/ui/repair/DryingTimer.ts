/** What ui/repair/DryingTimer says to people, in English. */
export const say = {
  minutesOnTheLabel: "Minutes on the label",
  drying: "Cleaned contacts drying",
  running: "Drying",
  start: "Start the wait",
};
