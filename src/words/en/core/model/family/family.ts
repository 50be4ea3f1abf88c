/** What core/model/family says to people, in English. */
export const say = {
  noSuchQuestion: (family: string, id: string) => `${family}: there is no question "${id}".`,
  noSuchAnswer: (ask: string, answer: string) => `${ask} "${answer}" is no answer to that.`,
};
