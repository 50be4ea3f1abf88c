/** What core/repair/carry-over says to people, in English. */
export const say = {
  noSetting: (id: string) => `no setting ${id}`,
  holdSaveHoldsS: (save: string, holds: number) => `Hold ${save} ${holds} s`,
};
