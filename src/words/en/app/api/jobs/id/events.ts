/** What app/api/jobs/id/events says to people, in English. */
export const say = {
  thereIsNoSuchJob: "There is no such job.",
  afterMustBeASequence: "after: must be a sequence number, 0 or more.",
};
