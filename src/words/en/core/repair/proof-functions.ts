/** What core/repair/proof-functions says to people, in English. */
export const say = {
  functionBy: (what: string, title: string) => `${what}: ${title}`,
  byEyeAbout: (minutes: number) => `Tried and seen, about ${minutes} min`,
  asItShould: "Does what it should",
  byTheLicensedTrade: "Shown by the licensed trade",
  doesItsWork: (name: string) => `${name} stops what it protects from, and nothing starts by itself after it`,
};
