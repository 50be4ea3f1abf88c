/** A name as an id: small letters and digits, joined by dashes, at most 40 long; empty where nothing of it is left. */
export const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .slice(0, 40)
    .replace(/^-+|-+$/g, "");
