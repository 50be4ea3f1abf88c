/** What ui/job/Reasons says to people, in English. */
export const say = {
  weighing: "Weighing…",
  nothingSpeaksForOrAgainst: "Nothing speaks for or against it yet but how often it fails.",
  bitsBit: (bits: string) => `(${bits} bit)`,
  withItAsIfWell: (shows: string) => `; with it ${shows}, as if well`,
  withItIfWell: (shows: string, sound: null | string) => `; with it ${shows}, if well ${sound}`,
};
