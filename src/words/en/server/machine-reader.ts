/** What server/machine-reader says to people, in English. */
export const say = {
  tooManyFilesWaitTo: "Too many files wait to be read. Try again in a moment.",
  thisFileIsMadeSo: "This file is made so that reading it takes too long or too much. Nothing was kept.",
  isMissingNpmRunBuild: (bundle: string) => `${bundle} is missing; npm run build makes it.`,
};
