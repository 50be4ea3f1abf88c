/** What core/model/sheet/sensor-table says to people, in English. */
export const say = {
  twoTemperatures: "A curve needs two temperatures at least.",
  degreesAndOhms: (line: string) => `"${line}": degrees Celsius, then ohms: 25 5.0k`,
  row: (celsius: string, ohms: string) => `at ${celsius} °C ${ohms} ohm`,
  risesWithWarmth: "These ohms rise as it warms: that is no NTC.",
  noSuchCurve: (percent: number) =>
    `These rows lie up to ${percent} % beside any NTC curve: look for a slip in one of them.`,
  noSuchSensor: (sensor: string) => `There is no NTC sensor ${sensor} in this file.`,
};
