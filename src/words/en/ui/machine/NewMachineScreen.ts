/** What ui/machine/NewMachineScreen says to people, in English. */
export const say = {
  typeTheManufacturerAndThe: "Type the manufacturer and the model, as on the rating plate.",
  newMachineFile: "New machine file",
  newMachine: "New machine",
  kind: "Kind",
  manufacturer: "Manufacturer",
  model: "Model",
  mains: "Mains",
  beginWithItsSkeleton: "Begin with its skeleton",
  whatYouGet: "What you get",
  aSmallFileThatWorks:
    "A small file that works at once: outlet, cord, fuse, board as a block, the usual loads of this kind. In " +
    "the editor you put in the real plugs, pins, ratings and codes.",
};
