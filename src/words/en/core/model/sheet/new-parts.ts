/** What core/model/sheet/new-parts says to people, in English. */
export const say = {
  partAndEnds: (line: string) => `"${line}": what it is, then the two places it lies between: fan 24V 5W J4-1 J4-2`,
  noSuchPlace: (name: string) => `"${name}" is no point, pin or net of this file.`,
  oneAtATime: "One part a line.",
  sameEnds: (name: string) => `${name} begins and ends at the same place.`,
  needsMore: (name: string) => `${name} has more than two ends: the editor takes it.`,
  isThereAlready: (name: string) => `There is a part called ${name} already: give this one another name.`,
  between: (name: string, rating: string, a: string, b: string) => `${name}${rating}, between ${a} and ${b}`,
  watts: (watts: string, volts: string) => `, ${watts} W at ${volts} V`,
  ohmsAt25: (ohms: string) => `, ${ohms} Ω at 25 °C`,
  replace: (name: string) => `Replace: ${name}`,
};
