/** What core/visit says to people, in English. */
export const say = {
  partFor: (repair: string) => `for: ${repair.charAt(0).toLowerCase()}${repair.slice(1)}`,
};
