/** What ui/machine/LibraryScreen says to people, in English. */
export const say = {
  kindsOfParts: "Kinds of parts",
  machines: "Machines",
  readingTheFile: "Reading the file",
  importAFile: "Import a file",
  machineFile: "Machine file",
  newMachine: "New machine",
  searchMachines: "Search machines",
  nameBoardNumberCode: "Name, board number, code",
  kind: "Kind",
  anyKind: "any kind",
  supply: "Supply",
  countOfCount2Machines: (count: number, count2: number) => `${count} of ${count2} machines`,
  partsPartsPart: (parts: number, part: string) => `${parts} parts, ${part}`,
};
