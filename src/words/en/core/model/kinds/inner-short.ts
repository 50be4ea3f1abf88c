/** What core/model/kinds/inner-short says to people, in English. */
export const say = {
  shortedInside: "shorted inside",
  shortedToItsCase: "shorted to its case",
};
