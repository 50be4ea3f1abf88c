/** What core/model/mode-setups says to people, in English. */
export const say = {
  poweredModeName: (modeName: string) => `Powered, ${modeName}`,
};
