/** What core/diagnose/dictionary says to people, in English. */
export const say = {
  noSetupSetupId: (setupId: string) => `no setup ${setupId}`,
  notAStoredDictionary: "These bytes are not the stored dictionary of this machine.",
};
