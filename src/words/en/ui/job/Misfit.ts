/** What ui/job/Misfit says to people, in English. */
export const say = {
  whatAndSentence: (asTitle: string, sentence: string) => `${asTitle}. ${sentence}`,
  perhapsItWas: "Perhaps it was:",
  wouldShowShows: (shows: string) => `(would show ${shows})`,
  measureItAgain: "Measure it again",
  strikeItOut: "Strike it out",
};
