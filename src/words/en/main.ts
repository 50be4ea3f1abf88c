/** What main says to people, in English. */
export const say = {
  thisAddressCannotBeRead: "This address cannot be read. Nothing was changed.",
};
