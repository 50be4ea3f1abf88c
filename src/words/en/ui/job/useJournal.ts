/** What ui/job/useJournal says to people, in English. */
export const say = {
  whatWasEnteredAfterIt: "What was entered after it was not written either; it stands in its field.",
  aNewerUnzoHasWritten: "A newer Unzo has written into this job. Reload the page: it can be read here, not added to.",
};
