/** What core/model/code-rule says to people, in English. */
export const say = {
  aWeightASign: (length: number) => `needs ${length} weights, one a sign`,
  onlyOf: (of: string) => `The code has only ${of}: look at the plate again.`,
  soManySigns: (wanted: number, given: number) => `The code has ${wanted} signs, this has ${given}.`,
  checkSignWrong: "Its check sign does not agree: two signs are swapped, or one is misread.",
};
