/** What core/schedule says to people, in English. */
export const say = {
  noFlame: "no flame",
  look: "Look.",
  comesAndGoes: "comes and goes",
};
