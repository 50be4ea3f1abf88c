/** What ui/job/unseen-words says to people, in English. */
export const say = {
  anEntryOfWasNot: (people: string) => `an entry of ${people} was not seen`,
  entriesOfWereNotSeen: (count: number, people: string) => `${count} entries of ${people} were not seen`,
};
