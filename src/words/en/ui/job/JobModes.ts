/** What ui/job/JobModes says to people, in English. */
export const say = {
  thisMachinesFileHasNo: "This machine's file has no setup for that mode; log it under Codes and signs.",
  loggedItShowedSuspectsRe: (label: string) => `Logged: it showed ${label}. Suspects re-ranked.`,
  practiseOnTheSimulator: "Practise on the simulator",
  itHasTheLeadingSuspect: "It has the leading suspect of this job as its hidden fault.",
  thisMachineHasNoMode: "This machine has no mode that keys lead to. How it is brought about:",
};
