/** What core/diagnose/belief says to people, in English. */
export const say = {
  nameIsBridged: (name: string) => `${name} is bridged`,
  isOneOfWNot: (name: string, watts: number, watts2: number) => `${name} is one of ${watts} W, not ${watts2} W`,
};
