/** What app/jobs/id says to people, in English. */
export const say = {
  readingTheJournal: "Reading the journal",
};
