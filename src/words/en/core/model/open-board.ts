/** What core/model/open-board says to people, in English. */
export const say = {
  isNoBoard: (id: string) => `"${id}" is no board.`,
  componentOf: (component: string, part: string) => `${part}: ${component}`,
  solderItAgain: "Solder the joint again",
  replaceIt: (name: string) => `Replace the ${name}`,
};
