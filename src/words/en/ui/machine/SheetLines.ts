import { plural } from "../../plural";

/** What ui/machine/SheetLines says to people, in English. */
export const say = {
  linesOfASheet: "Lines of a sheet",
  whatItIs: "What the lines are",
  table: {
    plugs: "Plugs and their pins",
    parts: "Parts that are not in the file",
    codes: "Codes",
    modes: "Service modes and their keys",
    wires: "A wire list",
    numbers: "Parts and their numbers",
    sensor: "Ohms of a sensor",
    screws: "Covers and their screws",
  },
  target: { wires: "New wires belong to", other: "They are those of" },
  example: {
    plugs: "CN2 3 red drain pump",
    parts: "fan 24V 5W J4-1 J4-2\ndoor switch J3-2 J3-5",
    codes: "E4 drain pump\nE2 water sensor open",
    modes: "T3 drain pump: hold START 5 s, press OPTION 3 times",
    wires: "W4 brown 0.75mm2 T-C comp-line",
    numbers: "Control board RB-4T 120",
    sensor: "0 16.3k\n25 5.0k",
    screws: "Rear panel 6 x M4 Torx 20 along the top",
  },
  pasteOrType: "Paste or type them, one a line",
  takenFor: "Taken for",
  mendLine: (n: number) => `Line ${n}, mended`,
  addLines: (n: number) => `Add ${n} ${plural(n, "line", "lines")}`,
  added: (n: number) => `${n} ${plural(n, "line is", "lines are")} in the file, as a new version of it.`,
};
