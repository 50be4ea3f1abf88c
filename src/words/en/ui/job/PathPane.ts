/** What ui/job/PathPane says to people, in English. */
export const say = {
  path: "Path",
  pathShown: "Path shown",
  theTestLiesOn: (elsewhereName: string) => `the test lies on: ${elsewhereName}`,
  whatItWouldShowThere: "What it would show there",
  signsUsed: "Signs used",
  asExpected: "as expected",
  notAsExpected: "not as expected",
  canBeMeasured: "can be measured",
  suspectsLieHere: "suspects lie here",
};
