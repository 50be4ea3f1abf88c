/** Steps of a day as people read them, in English. */
export const say = {
  driving: "drive there",
  drivingBack: "drive back",
  waiting: "waits",
  search: "find it",
  repair: "repair",
  proof: "prove it",
  work: "work",
};
