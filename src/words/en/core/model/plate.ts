/** What core/model/plate says to people, in English. */
export const say = {
  theFileKnowsThisCode: (indexes: string) =>
    `The file knows this code with index ${indexes} only: compare the boards before you order.`,
  drawnOnSheet: (sheet: string) => `drawn on ${sheet}`,
};
