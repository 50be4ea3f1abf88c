/** What ui/job/Conflicts says to people, in English. */
export const say = {
  twoAnswers: "Two answers",
  twoAnswers2: "Two answers.",
  byIsRight: (said: string, actor: string) => `${said} by ${actor} is right`,
  twoAnswersByIsRight: (said: string, actor: string) => `two answers; ${said} by ${actor} is right`,
  thisIsRight: "This is right",
  measureItAgain: "Measure it again",
};
