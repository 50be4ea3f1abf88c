/** What core/workbench/switch-chart says to people, in English. */
export const say = {
  rowIsSettingThenSwitches: (row: number, line: string) =>
    `Row ${row}, "${line}": a setting, a colon, then the switches that are on: 24: 1 3 5.`,
  switchesAreNumbers: (row: number, switches: string, most: number) =>
    `Row ${row}: "${switches}" are no switches: numbers from 1 to ${most}, each once.`,
  twoRowsAtLeast: "Two rows of different settings at least.",
};
