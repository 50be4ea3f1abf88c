/** What ui/job/BetterStep says to people, in English. */
export const say = {
  theSearchHasComeTo: "Two faults at once were weighed: they tell more than this step does.",
  aBetterStep: (title: string) => `Two faults at once were weighed. Better now: ${title}.`,
  takeIt: "Show it",
};
