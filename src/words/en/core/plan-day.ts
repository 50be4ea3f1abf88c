/** Steps of a day as people read them, in English. */
export const say = {
  search: "find it",
  repair: "repair",
  proof: "prove it",
  work: "work",
};
