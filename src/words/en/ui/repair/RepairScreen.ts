/** What ui/repair/RepairScreen says to people, in English. */
export const say = {
  backToTheJob: "Back to the job",
  changeTheCircuit: "Change the circuit",
  repairEntryName: (entryName: string) => `Repair: ${entryName}`,
  modified: "modified",
  stepsOfTheRepair: "Steps of the repair",
  print: "Print",
  theJobIsClosedThis: "The job is closed: this is how it was left.",
  fitTheModule: "Fit",
  changeSettings: "Settings",
  setUp: "Set up",
};
