/** What ui/job/Found says to people, in English. */
export const say = {
  differsFromTheFile: "Differs from the file",
  recordADifference: "Add what you see",
  takeBackBodyWords: (bodyWords: string) => `Take back: ${bodyWords}`,
};
