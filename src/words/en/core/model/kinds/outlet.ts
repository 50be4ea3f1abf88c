/** What core/model/kinds/outlet says to people, in English. */
export const say = {
  noVoltage: "no voltage",
  neutralOpen: "neutral open",
  earthMissing: "earth missing",
  anotherApplianceDoesNotRun: "another appliance does not run on it",
  mainsAtTheOutletProbes: "Mains at the outlet: probes with shrouded tips, one hand.",
  tryAnotherApplianceOnThe: "Try another appliance on the same outlet.",
};
