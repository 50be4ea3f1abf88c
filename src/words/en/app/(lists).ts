/** What app/(lists) says to people, in English. */
export const say = {
  readingTheList: "Reading the list",
};
