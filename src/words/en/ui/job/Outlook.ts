/** What ui/job/Outlook says to people, in English. */
export const say = {
  lowToHigh: (low: string, high: string) => `(${low} to ${high})`,
  stillToCome: "Still to come",
  stillToCome2: "Still to come:",
  partsCost: ", parts cost",
  suspectsOverTime: "Suspects over time",
  drawing: "Drawing…",
  shareOfBeliefInEach: (assemblies: string) => `Share of belief in each suspect after each step: ${assemblies}`,
};
