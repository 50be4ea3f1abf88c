/** What core/model/family/family-machine says to people, in English. */
export const say = {
  hangsOnSomethingElse: (family: string, supplies: readonly string[]) =>
    `${family}: such a machine hangs on ${supplies.join(" or ")}. Check the plate.`,
  drawnFromItsFamily:
    "Drawn from its family, nothing of it seen yet: the board is taken as a block. Take all of it as hot.",
  allRound: "all round",
  leadTo: (load: string) => `Lead to the ${load}`,
};
