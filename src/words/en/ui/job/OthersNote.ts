/** What ui/job/OthersNote says to people, in English. */
export const say = {
  andCountMore: (count: number) => `, and ${count} more`,
  showWhatIsNextNow: "Show what is next now",
  struckAnEntryOut: "struck an entry out",
  changedHowTheUnitStands: "changed how the unit stands",
  addedANote: "added a note",
  wroteIntoThisJob: "wrote into this job",
};
