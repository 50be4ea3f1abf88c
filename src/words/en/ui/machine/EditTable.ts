/** What ui/machine/EditTable says to people, in English. */
export const say = {
  takeOut: "Take out",
  takeOutNameRow: (name: string, row: string) => `Take out ${name} ${row}`,
  addAName: (name: string) => `Add a ${name}`,
  thisCannotBeReadBrackets: "This cannot be read: brackets and commas as in { a: net-1, b: net-2 }",
};
