/** What ui/job/LikeBefore says to people, in English. */
export const say = {
  likeThis: "Like this one before",
  noneYet: "No closed job on this machine showed the same.",
  looking: "Looking…",
  minutes: (minutes: number) => `${minutes} min`,
  both: (shared: readonly string[]) => `Both: ${shared.join("; ")}`,
};
