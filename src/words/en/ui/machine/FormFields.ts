/** What ui/machine/FormFields says to people, in English. */
export const say = {
  more: "May be said:",
  of: (what: string) => `of ${what}`,
  usually: (usual: string) => `usually ${usual}`,
  needed: "is needed",
  notSaid: "not said",
  value: "value",
  add: (name: string) => `Add: ${name}`,
  newName: (name: string, of: string) => `New ${name} of ${of}, its name`,
  itsName: "its name",
  takeOut: (what: string) => `Take out ${what}`,
};
