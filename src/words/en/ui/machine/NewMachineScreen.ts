/** What ui/machine/NewMachineScreen says to people, in English. */
export const say = {
  typeTheManufacturerAndThe: "Type the manufacturer and the model, as on the rating plate.",
  newMachineFile: "New machine file",
  newMachine: "New machine",
  kind: "Kind",
  another: "Another: type what it has",
  sort: "Sorted under",
  has: "What it has",
  states: "In which state what runs; left empty: all at once",
  statesExample: "washing: wash pump, heater; draining: drain pump",
  hasExample: "heater 2200 through thermostat and high limit, pump 0.4 A, lid switch stops pump",
  manufacturer: "Manufacturer",
  model: "Model",
  hangsOn: "Hangs on",
  nobody: "Nobody",
  new: "New",
  isThereAlready: (maker: string, model: string) =>
    `There is a file of a ${maker} ${model} already. Open it under Machines, or give this one another model.`,
  makeTheFile: "Make the file",
  whatYouGet: "What it does",
};
