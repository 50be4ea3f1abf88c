/** What ui/repair/AsFound says to people, in English. */
export const say = {
  nameAsFound: (name: string) => `${name}, as found`,
  notReadYet: "not read yet",
  typeItFromThePlate: "from the plate, then Enter",
  byItsRule: "right by its rule",
};
