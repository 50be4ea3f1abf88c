/** What ui/job/UnreadableJob says to people, in English. */
export const say = {
  writtenByANewerUnzo: "Written by a newer Unzo",
  anEntry: "an entry",
  thisJobHoldsThatThis: (part: string, known: number) =>
    `This job holds ${part} that this version cannot read. One may change the circuit, so there is no advice ` +
    `and nothing can be added here. The other ${known} entries are in the record. Bring this Unzo up to date ` +
    "to go on.",
  entrySeq: (seq: number) => `Entry ${seq}`,
  versionV: (v: number) => `, version ${v}`,
  record: "Record",
  allJobs: "All jobs",
};
