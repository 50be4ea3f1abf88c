/** What core/model/program/condition-words says to people, in English. */
export const say = {
  sayWhen: "When? mode wash and level above 50 %",
  notUnderstood: (words: string) =>
    `"${words}" was not understood. Join with and, or, not: mode wash and level above 50 %`,
  bracketOpen: "A bracket is not closed.",
  aboveOrBelow: (input: string) => `${input}: above or below how much? ${input} above 50 %`,
  noShare: (said: string) => `"${said}" is no share of the rail: write 50 %`,
  always: "always",
  something: (word: string | null) =>
    word === null
      ? "It ends too soon: name a mode, a key, a code or an input."
      : `Something is missing before "${word}".`,
};
