/** What ui/job/UnsafeFields says to people, in English. */
export const say = {
  unsafeLeftDisconnected: "Unsafe: left disconnected",
  why: "Why it is unsafe",
  tagOnTheUnit: "Tag on the unit",
  signedBy: "Signed by",
};
