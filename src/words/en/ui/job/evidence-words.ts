/** What ui/job/evidence-words says to people, in English. */
export const say = {
  theComplaint: "the complaint",
};
