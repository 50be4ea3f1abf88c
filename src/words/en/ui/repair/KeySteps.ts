/** What ui/repair/KeySteps says to people, in English. */
export const say = {
  shows: "shows",
};
