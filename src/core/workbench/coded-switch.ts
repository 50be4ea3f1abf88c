import type { SettingEntry } from "../model";
import { Refused, type Given, type Sheet, type SwitchDrawing, type Tool } from "./tool";

/** How switches, or resistors left whole or cut, stand for a setting. */
export interface Coding {
  /** Numbers of the switches as printed, in the order of the weights. */
  readonly switches: readonly number[];
  /** What each adds when it counts. */
  readonly weights: readonly number[];
  /** Added to the sum. */
  readonly offset: number;
  /** What the sum is multiplied by. */
  readonly step: number;
  /** A switch counts when it is on (`on`) or when it is off (`off`); a resistor counts whole or cut the same way. */
  readonly counts: "on" | "off";
}

/** The rule with binary weights, the first switch the heaviest or the lightest. */
export function binaryCoding(
  count: number,
  heaviestFirst: boolean,
  counts: "on" | "off",
  offset = 0,
  step = 1,
): Coding {
  if (!Number.isInteger(count) || count < 1 || count > 16) throw new Refused("1 to 16 switches.", "count");
  const switches = Array.from({ length: count }, (_, i) => i + 1);
  return { switches, weights: switches.map((_, i) => 2 ** (heaviestFirst ? count - 1 - i : i)), offset, step, counts };
}

/** The setting that positions stand for; `on` in the order of `switches`. */
export function settingOf({ weights, offset, step, counts }: Coding, on: readonly boolean[]): number {
  if (on.length !== weights.length)
    throw new Refused(`This rule has ${weights.length} switches, ${on.length} were given.`, "found");
  return offset + step * weights.reduce((sum, w, i) => sum + (on[i] === (counts === "on") ? w : 0), 0);
}

/** Positions for a setting, in the order of `switches`. Throws `Refused` for one the rule does not reach. */
export function positionsFor(coding: Coding, setting: number): boolean[] {
  const n = coding.weights.length;
  // Few enough to try them all; of several the one with the fewest switches moved from rest is taken.
  let best: boolean[] | null = null;
  let fewest = Infinity;
  for (let code = 0; code < 2 ** n; code++) {
    const on = Array.from({ length: n }, (_, i) => Math.floor(code / 2 ** i) % 2 === 1);
    const moved = on.filter(Boolean).length;
    if (Math.abs(settingOf(coding, on) - setting) < 1e-9 && moved < fewest) {
      best = on;
      fewest = moved;
    }
  }
  if (!best)
    throw new Refused(
      `No position of these switches stands for ${setting}. The rule runs from ${range(coding).join(" to ")}.`,
      "wanted",
    );
  return best;
}

function range({ weights, offset, step }: Coding): readonly [number, number] {
  const ends = [
    offset + step * weights.reduce((s, w) => s + Math.min(0, w), 0),
    offset + step * weights.reduce((s, w) => s + Math.max(0, w), 0),
  ];
  return [Math.min(...ends), Math.max(...ends)];
}

/** Reads positions: "1011", "on off on", "x--x", "up down". Throws `Refused`. */
export function readPositions(text: string, count: number): boolean[] {
  const words = text
    .trim()
    .toLowerCase()
    .split(/[\s,;/]+/)
    .filter((w) => w !== "");
  const marks = words.length === 1 ? [...words[0]!] : words;
  const on = marks.map((m) => {
    if (/^(on|1|x|up|whole|closed)$/.test(m)) return true;
    return /^(off|0|-|_|down|cut|open)$/.test(m) ? false : null;
  });
  if (on.some((o) => o === null))
    throw new Refused(`"${text.slice(0, 30)}": type on and off, or 1 and 0, in the order of the numbers.`, "found");
  if (on.length !== count) throw new Refused(`${count} switches, but ${on.length} positions.`, "found");
  return on as boolean[];
}

/**
 * A value of a setting of the file as its switches stand, drawn as the board sits. Null for a setting without a
 * coding rule.
 */
export function drawingOf(setting: SettingEntry, value: string, caption: string): SwitchDrawing | null {
  const { coding } = setting;
  if (!coding || value.length !== coding.switches.length || /[^01]/.test(value)) return null;
  return {
    caption,
    kind: coding.kind,
    numbers: coding.switches,
    on: [...value].map((bit) => (bit === "1") === (coding.one === "on")),
    upsideDown: coding.sits === "upside-down",
    marked: coding.marked,
  };
}

/** What a value of a setting of the file means: its words, or that nothing is known of it. */
export function settingWords(setting: SettingEntry, value: string): string {
  return setting.values.find((v) => v.value === value)?.words ?? "not in its table";
}

/** Codes of a setting of the file that its table does not name, as bit texts. */
export function unusedCodes(values: readonly string[], bits: number): string[] {
  return Array.from({ length: 2 ** bits }, (_, i) => i.toString(2).padStart(bits, "0")).filter(
    (code) => !values.includes(code),
  );
}

function work(given: Given): Sheet {
  const kind = given.text("kind") === "resistors" ? "resistors" : "switches";
  const count = given.number("count") ?? 8;
  const weightsTyped = given
    .text("weights")
    .split(/[\s,;]+/)
    .filter((w) => w !== "")
    .map(Number);
  if (weightsTyped.some((w) => !Number.isFinite(w))) throw new Refused("Weights are numbers: 1 2 4 8.", "weights");
  const base = binaryCoding(
    weightsTyped.length || count,
    given.text("order") === "heaviest",
    given.text("counts") === "off" ? "off" : "on",
    given.number("offset") ?? 0,
    given.number("step") ?? 1,
  );
  const coding: Coding = weightsTyped.length ? { ...base, weights: weightsTyped } : base;
  const other: Coding = { ...coding, counts: coding.counts === "on" ? "off" : "on" };
  const turned: Coding = { ...coding, weights: [...coding.weights].reverse() };
  const words = (on: boolean) => {
    if (kind === "switches") return on ? "on" : "off";
    return on ? "whole" : "cut";
  };
  const drawing = (caption: string, on: readonly boolean[]): SwitchDrawing => ({
    caption,
    kind,
    numbers: coding.switches,
    on,
    upsideDown: given.text("sits") === "upside-down",
    marked: given.text("marked") === "right" ? "right" : "left",
  });
  const lines: Sheet["lines"][number][] = [];
  const switches: SwitchDrawing[] = [];
  const rows: string[][] = [];
  if (given.text("found") !== "") {
    const on = readPositions(given.text("found"), coding.switches.length);
    const setting = settingOf(coding, on);
    const sum = coding.weights.map((w, i) => (on[i] === (coding.counts === "on") ? String(w) : "0")).join(" + ");
    lines.push({
      label: "Found",
      text: String(setting),
      big: true,
      formula: `${coding.offset} + ${coding.step} × (${sum}) = ${setting}`,
      source: "the coding rule above",
    });
    switches.push(drawing(`Found: ${setting}`, on));
    // An unclear chart is mostly unclear in two ways: which position counts, and from which end.
    rows.push(
      ["As typed", String(setting)],
      [`${words(coding.counts !== "on")} counts instead`, String(settingOf(other, on))],
      ["Counted from the other end", String(settingOf(turned, on))],
    );
  }
  const wanted = given.number("wanted");
  if (wanted !== undefined) {
    const on = positionsFor(coding, wanted);
    lines.push({
      label: `For ${wanted}`,
      text: on.map((o, i) => `${coding.switches[i]} ${words(o)}`).join(", "),
      big: true,
      source: "the coding rule above",
    });
    switches.push(drawing(`Wanted: ${wanted}`, on));
  }
  if (lines.length === 0) throw new Refused("Type the positions found, or the setting wanted.");
  return {
    lines,
    switches,
    ...(rows.length ? { table: { head: ["Read so", "it stands for"], rows: rows.map((cells) => ({ cells })) } } : {}),
    cautions:
      kind === "resistors"
        ? ["A resistor cut cannot be made whole with the cutter: record first, cut last."]
        : ["Power off before a switch is moved; most boards read them only when they start."],
    notes: [
      "Record what was found before anything is changed.",
      "The end marked with a dot or a 1 is drawn filled. On many boards “on” is printed on one side: go by it, not by up and down.",
    ],
  };
}

/** Coded switches and cut resistors. */
export const codedSwitchTool: Tool = {
  id: "switches",
  name: "Coded switches",
  group: "Settings and records",
  words: "Setting to switches and back, as the board sits",
  fields: [
    {
      key: "kind",
      label: "They are",
      choices: [
        ["switches", "switches"],
        ["resistors", "resistors, whole or cut"],
      ],
      preset: "switches",
    },
    { key: "count", label: "How many", quantity: "plain", preset: "8", min: 1, max: 16 },
    {
      key: "order",
      label: "Number 1 is",
      choices: [
        ["lightest", "the smallest step"],
        ["heaviest", "the largest step"],
      ],
      preset: "lightest",
    },
    {
      key: "counts",
      label: "What counts",
      choices: [
        ["on", "on, whole"],
        ["off", "off, cut"],
      ],
      preset: "on",
    },
    { key: "weights", label: "Other weights", hint: "1 2 4 8, empty: doubling" },
    { key: "offset", label: "Added to the sum", quantity: "plain", hint: "0", min: -1e6 },
    { key: "step", label: "A step is", quantity: "plain", hint: "1", min: -1e6 },
    { key: "found", label: "Found", hint: "1011 or on off on on", under: "Found and wanted" },
    { key: "wanted", label: "Wanted", quantity: "plain", min: -1e9, under: "Found and wanted" },
    {
      key: "sits",
      label: "The board sits",
      choices: [
        ["upright", "upright"],
        ["upside-down", "upside down"],
      ],
      preset: "upright",
      under: "As it sits",
    },
    {
      key: "marked",
      label: "The marked end is",
      choices: [
        ["left", "left, board upright"],
        ["right", "right, board upright"],
      ],
      preset: "left",
      under: "As it sits",
    },
  ],
  work,
};
