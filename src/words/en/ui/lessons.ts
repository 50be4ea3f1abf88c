/** What ui/record/LessonsScreen says to people, in English. */
export const say = {
  title: "What this job learned",
  ofMachine: (name: string, revision: string) =>
    `Ticked goes into the file of ${name} (revision ${revision} is in use) as a new version, for every unit of it.`,
  nothingLearned: "Nothing was seen on this job that the file has not.",
  isKnown: "in the file already",
  putIn: (n: number) => `Put ${n} into the file`,
  conflict: "The file says otherwise by now",
  was: "was",
  now: "is now",
  found: "found",
  backToRecord: "The record",
  take: (words: string) => `Take: ${words}`,
};
