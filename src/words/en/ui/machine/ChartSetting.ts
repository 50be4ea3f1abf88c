/** What ui/machine/ChartSetting says to people, in English. */
export const say = {
  fromAChart: "A setting from a chart",
  name: "What is set",
  nameHint: "Defrost interval, hours",
  where: "Where its switches are",
  whereHint: "Eight switches on the main board",
  rows: "Chart: setting, colon, switches that are on",
  add: "Put it into the file",
  misprint: (setting: number, nearest: string | null) =>
    nearest === null ? `${setting} fits no rule: as printed` : `${setting} is a misprint: taken as ${nearest}`,
  twice: (setting: number) => `${setting} has the switches of another row, and is left out`,
  understood: (rows: number, mended: string) => `${rows} rows understood${mended === "" ? "" : `; ${mended}`}.`,
};
