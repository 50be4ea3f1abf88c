/** What core/repair/carry-over says to people, in English. */
export const say = {
  holdSaveHoldsS: (save: string, holds: number) => `Hold ${save} ${holds} s`,
};
