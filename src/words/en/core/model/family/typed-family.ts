/** What core/model/family/typed-family says to people, in English. */
export const say = {
  name: "Another machine",
  askFilter: "Is there a line filter?",
};
