/** What ui/job/StrikeDialog says to people, in English. */
export const say = {
  strikeOutShown: (shown: string) => `Strike out ${shown}?`,
  strikeOut: "Strike out",
  itStaysOnRecordCrossed: ". It stays on record, crossed out, and no longer counts.",
};
