const RULES = new Intl.PluralRules("en");

/** The form of a word that goes with a count, by the platform's rules for the language. */
export const plural = (count: number, one: string, other: string): string =>
  RULES.select(count) === "one" ? one : other;
