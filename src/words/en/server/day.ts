/** Steps of a day that the server adds, in English. */
export const say = {
  driving: "drive there",
  drivingBack: "drive back",
  waiting: "waits",
};
