/** What server/job-file says to people, in English. */
export const say = {
  isNoJobFile: "That is no job file of Unzo, or not a whole one. Nothing was taken in.",
  holdsWhatIsNewer: "It holds entries of a newer Unzo, which this one cannot judge. Nothing was taken in.",
  photoIsAnother: "A photo in it is not the one that it says it is. Nothing was taken in.",
  entryRefused: (seq: number, why: string) => `Entry ${seq} would not be taken here: ${why} Nothing was taken in.`,
  anotherJobIsHere: "Another job with the same name is here already. Nothing was taken in.",
  entryIsElsewhere: "An entry of it stands in another job here. Nothing was taken in.",
};
