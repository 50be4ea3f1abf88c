/** What ui/machine/NewMachineScreen says to people, in English. */
export const say = {
  typeTheManufacturerAndThe: "Type the manufacturer and the model, as on the rating plate.",
  newMachineFile: "New machine file",
  newMachine: "New machine",
  kind: "Kind",
  manufacturer: "Manufacturer",
  model: "Model",
  hangsOn: "Hangs on",
  nobody: "Nobody",
  new: "New",
  makeTheFile: "Make the file",
  whatYouGet: "What it does",
};
