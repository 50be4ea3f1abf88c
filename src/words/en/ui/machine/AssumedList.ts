/** What ui/machine/AssumedList says to people, in English. */
export const say = {
  notSeenYet: (count: number) => `${count} ${count === 1 ? "thing" : "things"} not seen yet`,
  drawnFromItsFamily:
    "Drawn from its family. Press Seen for what is there; what differs is mended under Edit. A wrong guess here misleads the search.",
  sorts: { part: "Parts", plug: "Plugs", cover: "Covers" },
  allSeen: (sorts: string) => `All ${sorts} seen`,
  seen: "Seen",
  seenName: (name: string) => `Seen: ${name}`,
};
