/** What a calendar of Unzo says to people, in English. */
export const say = {
  name: "Unzo: what is due",
  noComplaint: "no complaint",
  promised: (site: string) => `Promised: ${site}`,
  visit: (site: string) => `Visit: ${site}`,
  wait: (words: string) => `Due: ${words}`,
  held: (site: string) => `Did it hold? ${site}`,
};
