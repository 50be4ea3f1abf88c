/** What ui/machine/SectionEditor says to people, in English. */
export const say = {
  noneYet: (one: string) => `No ${one} yet.`,
  entry: (one: string, name: string) => `The ${one} ${name}`,
  takeOut: (one: string) => `Take this ${one} out`,
  newOne: (one: string) => `New ${one}`,
  find: (one: string) => `Find a ${one}`,
  all: (one: string) => `Every ${one}`,
  add: (one: string) => `Add a ${one}`,
  toMend: "to mend",
};
