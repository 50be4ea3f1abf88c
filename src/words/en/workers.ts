/** What workers says to people, in English. */
export const say = {
  theMachineFileHasNo: "The machine file has no such setup.",
  theDictionaryIsNotBuilt: "The dictionary is not built yet.",
  thisFileIsRunAs: "This file is run as a worker thread.",
};
