/** What core/model/kinds/ptc says to people, in English. */
export const say = {
  crackedOpen: "cracked, open",
  rattlesWhenShaken: "rattles when shaken",
  coldLeadsOffOhmsAgainst: "Cold, leads off: ohms against its print; it must not rattle.",
};
