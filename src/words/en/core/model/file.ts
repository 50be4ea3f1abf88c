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
  isMissing: (field: string, means: string) => `\`${field}\` is missing: ${means}`,
  isMissingPlain: (field: string) => `\`${field}\` is missing`,
  isOneOf: (values: string) => `must be one of ${values}`,
  isNotThat: (value: string, means: string) => `"${value}" is not ${means}`,
  isNotRead: (value: string) => `"${value}" is nothing this field can hold`,
  withMeaning: (message: string, means: string) => `${message}: it is ${means}`,
  kindIsMissing: "`kind` is missing: what sort of part it is, as fuse, relay, heater",
  noSuchKind: (kind: string, near: string) => `there is no kind "${kind}"; the nearest is ${near}`,
  fieldMeant: (key: string, near: string) => `does not know the field ${key}; ${near} is meant, perhaps`,
  hasOnlyTheFields: (keys: string, kind: string, known: string) =>
    `does not know the field ${keys}; a ${kind} has ${known}`,
};
