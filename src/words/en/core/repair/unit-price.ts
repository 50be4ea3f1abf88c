/** What core/repair/unit-price says to people, in English. */
export const say = {
  typeAPrice: "Type a number, zero or more.",
  noWholeNumber: (unit: string, sign: string, below: string, above: string) =>
    `It counts in steps of ${unit} ${sign}: take ${below} or ${above}.`,
  moreThanItTakes: (most: string, sign: string, units: number) =>
    `More than it takes: ${most} ${sign} at most, ${units} units.`,
};
