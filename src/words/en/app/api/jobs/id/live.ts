/** What app/api/jobs/id/live says to people, in English. */
export const say = {
  thereIsNoSuchJob: "There is no such job.",
  afterMustBeASequence: "after: must be a sequence number, 0 or more.",
  idSeqDataStringify: (seq: number, stringify: string) => `id: ${seq}
data: ${stringify}

`,
};
