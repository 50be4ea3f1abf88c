/** What app/api/units/id/merge says to people, in English. */
export const say = {
  thereIsNoSuchUnit: "There is no such unit.",
};
