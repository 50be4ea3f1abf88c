/** What core/model/kinds/indicator says to people, in English. */
export const say = {
  watchItForThreeRounds: "Watch it for three rounds before you count.",
};
