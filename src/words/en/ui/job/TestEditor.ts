/** What ui/job/TestEditor says to people, in English. */
export const say = {
  whatWasReallyDone: "What was really done",
  blackLead: "Black lead",
  clampAround: "Clamp around",
  redLead: "Red lead",
};
