/** What ui/job/WhyItOpened says to people, in English. */
export const say = {
  whyDidItOpen: "Why did it happen?",
  whatTheReadingsSay: "What the readings say",
  whatOnlyYouCanSay: "What only you can say",
  states: { found: "this did it", cleared: "read, not it", open: "not ruled out" },
  aLampInItsPlace: "A lamp in its place, before a new one",
  aLimitedSupplyInItsPlace: "A limited supply in its place, before a new one",
  lampSteps: [
    "Power off, locked, proven dead. Nothing shorted was found dead.",
    "Heaters unplugged: any of them would light the lamp.",
    "A 100 W lamp in a closed fitting instead of what opened, leads insulated.",
    "Stand clear. Power on, look, power off.",
  ],
  supplySteps: [
    "Battery or pack off. Nothing shorted was found.",
    "A bench supply at its volts, limited to half of what opens.",
    "Stand clear of what moves. On, look, off.",
  ],
  bright: "It stays bright",
  dim: "It flashes and goes dim",
  limits: "It limits",
  holds: "It holds its volts",
  yes: "Yes",
  no: "No",
};
