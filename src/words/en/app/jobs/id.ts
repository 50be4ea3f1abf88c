/** What app/jobs/id says to people, in English. */
export const say = {
  workingOutWhatItMayBe: "Working out what it may be.",
  readingTheJournal: "Reading the journal",
};
