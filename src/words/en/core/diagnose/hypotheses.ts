/** What core/diagnose/hypotheses says to people, in English. */
export const say = {
  nothingWrong: "Nothing wrong",
  somethingElse: "Something else",
  andWithIt: (faultName: string) => `and with it ${faultName}`,
  differsFromTheFile: "Differs from the file",
};
