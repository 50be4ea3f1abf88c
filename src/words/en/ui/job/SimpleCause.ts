/** What ui/job/SimpleCause says to people, in English. */
export const say = {
  aSimpleCause: "A simple cause",
  putItRightThenTry: "Put it right, then try the machine.",
  theComplaintIsGone: "The complaint is gone",
  itIsStillThere: "It is still there",
};
