/** What core/workbench/tool says to people, in English. */
export const say = {
  cannotBeBelow: (fieldLabel: string, low: string) => `${fieldLabel} cannot be below ${low}.`,
  mustBeTo: (fieldLabel: string, low: string, max: string) => `${fieldLabel} must be ${low} to ${max}.`,
  mustBeAboveZero: (label: string) => `${label} must be above zero.`,
};
