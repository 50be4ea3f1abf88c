/** What core/model/file says to people, in English. */
export const say = {
  isCalledInFormat2: (oldName: string) => `is called ${oldName} in format 2`,
  machineFileFormat2: "Machine file, format 2",
  isLargerThan1Mb: "is larger than 1 MB; a machine file is some tens of kilobytes",
  holdsTooMuchMoreThan: "holds too much: more than 9000 lines or 4000 entries; a machine has at most 400 parts",
  isNestedMoreThanDeep: (mostdepth: number) => `is nested more than ${mostdepth} deep here`,
  usesATagAMachine: "uses a tag (!); a machine file holds plain text, lists and fields only",
  usesAliasesAndWriteThe: "uses aliases (* and &); write the value out in each place",
  doesNotKnowTheField: (keys: string | undefined) => `does not know the field ${keys}`,
  doesNotFitAnyOf: "does not fit any of the forms this field can have",
};
