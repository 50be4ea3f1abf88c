/** What core/diagnose/dictionary says to people, in English. */
export const say = {
  noSetupSetupId: (setupId: string) => `no setup ${setupId}`,
};
