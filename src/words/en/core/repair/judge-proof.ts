/** What core/repair/judge-proof says to people, in English. */
export const say = {
  typeForExample: (unitWord: string, exampleOf: string) => `Type ${unitWord}, for example ${exampleOf}.`,
  thisStepIsSeenNot: "This step is seen, not measured.",
};
