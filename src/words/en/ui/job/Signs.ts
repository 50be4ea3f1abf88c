/** What ui/job/Signs says to people, in English. */
export const say = {
  yes: "Yes",
  no: "No",
  whatWasRepairedOrReplaced: "What was repaired or replaced",
  stillThere: "Still there",
  fixed: "Fixed",
};
