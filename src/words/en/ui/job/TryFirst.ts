/** What ui/job/TryFirst says to people, in English. */
export const say = {
  tryFirst: "Try first",
  dead: "Dead",
  minutesMin: (minutes: number) => `${minutes} min`,
  closeUpPowerOnWatch: "Close up, power on, watch. And now?",
  fixed: "Fixed",
  stillThere: "Still there",
  measureInstead: "Measure instead",
};
