/** What ui/repair/LeftList says to people, in English. */
export const say = {
  toRestore: "To restore",
  nothingLeftToRestore: "Nothing left to restore.",
  restoredWords: (words: string) => `Restored: ${words}`,
  back: "Back",
  somethingElseChangedForThe: "Something else changed for the while",
  waterShutAtTheWall: "water shut at the wall, breaker 7 off",
  add: "Add",
};
