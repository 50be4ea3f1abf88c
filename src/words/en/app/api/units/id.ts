/** What app/api/units/id says to people, in English. */
export const say = {
  thereIsNoSuchUnit: "There is no such unit.",
};
