/** What ui/job/Misfit says to people, in English. */
export const say = {
  atAsTitleSentence: (asTitle: string, sentence: string) => `at ${asTitle}. ${sentence}`,
  perhapsItWas: "Perhaps it was:",
  wouldShowShows: (shows: string) => `(would show ${shows})`,
  measureItAgain: "Measure it again",
  strikeItOut: "Strike it out",
};
