import type { SettingEntry } from "../model";
import { Refused, type Given, type Sheet, type SwitchDrawing, type Tool } from "./tool";
import { type ChartRow, type ChartRule, readChart, rulesOf } from "./switch-chart";
import { say } from "#words/core/workbench/coded-switch";

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
  if (!Number.isInteger(count) || count < 1 || count > 16) throw new Refused(say.to16Switches, "count");
  const switches = Array.from({ length: count }, (_, i) => i + 1);
  return { switches, weights: switches.map((_, i) => 2 ** (heaviestFirst ? count - 1 - i : i)), offset, step, counts };
}

/** The setting that positions stand for; `on` in the order of `switches`. */
export function settingOf({ weights, offset, step, counts }: Coding, on: readonly boolean[]): number {
  if (on.length !== weights.length) throw new Refused(say.thisRuleHasSwitchesWere(weights.length, on.length), "found");
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
  if (!best) throw new Refused(say.noPositionOfTheseSwitches(setting, range(coding).join(" to ")), "wanted");
  return best;
}

function range({ weights, offset, step }: Coding): readonly [number, number] {
  const ends = [
    offset + step * weights.reduce((s, w) => s + Math.min(0, w), 0),
    offset + step * weights.reduce((s, w) => s + Math.max(0, w), 0),
  ];
  return [Math.min(...ends), Math.max(...ends)];
}

/**
 * Reads positions: "1011", "on off on", "x--x", "up down", "1 3 5" (the numbers of those that are on), "none". Throws
 * `Refused`.
 */
export function readPositions(
  text: string,
  count: number,
  numbers: readonly number[] = Array.from({ length: count }, (_, i) => i + 1),
): boolean[] {
  const listed = listedOn(text, numbers);
  if (listed) return numbers.map((n) => listed.includes(n));
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
  if (on.some((o) => o === null)) throw new Refused(say.typeOnAndOffOr(text.slice(0, 30)), "found");
  if (on.length !== count) throw new Refused(say.switchesButPositions(count, on.length), "found");
  return on as boolean[];
}

/**
 * The switches that are on where their numbers were typed, as sheets print them: "1 3 5". Null where it is something
 * else: noughts and ones for each of them, one number twice, a number there is no switch for.
 */
function listedOn(text: string, switches: readonly number[]): readonly number[] | null {
  if (/^\s*none\s*$/i.test(text)) return [];
  const words = text.trim().split(/[\s,;+&]+/);
  if (!words.every((w) => /^\d{1,2}$/.test(w))) return null;
  const numbers = words.map(Number);
  const isBits = words.length === switches.length && numbers.every((n) => n < 2);
  const isRow = words.length === 1 && /^[01]+$/.test(words[0]!) && words[0]!.length === switches.length;
  if (isBits || isRow || new Set(numbers).size < numbers.length) return null;
  return numbers.every((n) => switches.includes(n)) ? numbers : null;
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

/** A rule of a chart as a coding; null for none, and for one in which a switch's weight hangs on the others. */
function codingOf(rule: ChartRule | undefined): Coding | null {
  if (!rule || rule.coded === "Gray") return null;
  const switches = rule.weights.map((_, i) => rule.field[0] + i);
  return { switches, weights: rule.weights, offset: rule.offset, step: rule.step, counts: rule.counts };
}

/** What a chart's rules come to: the best as lines, its misprints, and the others it could be. */
function chartSheet(rows: readonly ChartRow[], rules: readonly ChartRule[]): Pick<Sheet, "lines" | "table"> {
  const list = (on: readonly number[]) => on.join(" ") || say.none;
  const best = rules[0];
  if (!best) return { lines: [] };
  const lines = [
    { label: say.rule, text: ruleWords(best), source: say.fromChartRows(rows.length) },
    ...best.misprints.map((m) => ({
      label: say.misprintOf(rows[m.row]!.setting),
      text: m.nearest
        ? say.wouldBe(rows[m.row]!.setting, list(m.nearest), list(rows[m.row]!.on), m.standsFor)
        : say.cannotBeReached(rows[m.row]!.setting, list(rows[m.row]!.on), m.standsFor),
    })),
  ];
  const others = rules.slice(1).map((r) => [ruleWords(r), String(r.misprints.length)]);
  return {
    lines,
    ...(others.length > 0
      ? { table: { head: [say.orRule, say.misprints], rows: others.map((cells) => ({ cells })) } }
      : {}),
  };
}

function ruleWords({ field: [first, last], weights, coded, counts, offset, step }: ChartRule): string {
  const times = Math.abs(step - 1) < 1e-9 ? null : step;
  return say.ruleIs(
    first,
    last,
    weights.join(" "),
    say.coded[coded],
    counts,
    times,
    Math.abs(offset) < 1e-9 ? null : offset,
  );
}

/** The rule by which the switches count, from a chart or as typed, and what a chart says of itself. */
function ruleOf(
  given: Given,
  count: number,
): { readonly coding: Coding; readonly ruled: Pick<Sheet, "lines" | "table"> } {
  const weightsTyped = given
    .text("weights")
    .split(/[\s,;]+/)
    .filter((w) => w !== "")
    .map(Number);
  if (weightsTyped.some((w) => !Number.isFinite(w))) throw new Refused(say.weightsAreNumbers12, "weights");
  const base = binaryCoding(
    weightsTyped.length || count,
    given.text("order") === "heaviest",
    given.text("counts") === "off" ? "off" : "on",
    given.number("offset") ?? 0,
    given.number("step") ?? 1,
  );
  const typed: Coding = weightsTyped.length ? { ...base, weights: weightsTyped } : base;
  const chart = given.text("chart") === "" ? [] : readChart(given.text("chart"));
  const rules = chart.length === 0 ? [] : rulesOf(chart);
  const coding = codingOf(rules[0]) ?? typed;
  return { coding, ruled: chartSheet(chart, rules) };
}

function work(given: Given): Sheet {
  const kind = given.text("kind") === "resistors" ? "resistors" : "switches";
  const count = given.number("count") ?? 8;
  const { coding, ruled } = ruleOf(given, count);
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
  const lines: Sheet["lines"][number][] = [...ruled.lines];
  const switches: SwitchDrawing[] = [];
  const rows: string[][] = [];
  if (given.text("found") !== "") {
    const on = readPositions(given.text("found"), coding.switches.length, coding.switches);
    const setting = settingOf(coding, on);
    const sum = coding.weights.map((w, i) => (on[i] === (coding.counts === "on") ? String(w) : "0")).join(" + ");
    lines.push({
      label: say.found,
      text: String(setting),
      big: true,
      formula: `${coding.offset} + ${coding.step} × (${sum}) = ${setting}`,
      source: say.theCodingRuleAbove,
    });
    switches.push(drawing(say.foundSetting(setting), on));
    // An unclear chart is mostly unclear in two ways: which position counts, and from which end.
    rows.push(
      [say.asTyped, String(setting)],
      [say.wordsCountsInstead(words(coding.counts !== "on")), String(settingOf(other, on))],
      [say.countedFromTheOtherEnd, String(settingOf(turned, on))],
    );
  }
  const wanted = given.number("wanted");
  if (wanted !== undefined) {
    const on = positionsFor(coding, wanted);
    lines.push({
      label: say.forWanted(wanted),
      text: on.map((o, i) => `${coding.switches[i]} ${words(o)}`).join(", "),
      big: true,
      source: say.theCodingRuleAbove,
    });
    switches.push(drawing(say.wantedWanted(wanted), on));
  }
  if (lines.length === 0) throw new Refused(say.typeThePositionsFoundOr);
  return {
    ...ruled,
    lines,
    switches,
    ...(rows.length ? { table: { head: [say.readSo, say.itStandsFor], rows: rows.map((cells) => ({ cells })) } } : {}),
    cautions: kind === "resistors" ? [say.aResistorCutCannotBe] : [say.powerOffBeforeASwitch],
    notes: [say.recordWhatWasFoundBefore, say.theEndMarkedWithA],
  };
}

/** Coded switches and cut resistors. */
export const codedSwitchTool: Tool = {
  id: "switches",
  name: say.codedSwitches,
  group: "records",
  words: say.settingToSwitchesAndBack,
  fields: [
    {
      key: "kind",
      label: say.theyAre,
      choices: [
        ["switches", "switches"],
        ["resistors", say.resistorsWholeOrCut],
      ],
      preset: "switches",
    },
    { key: "count", label: say.howMany, quantity: "plain", preset: "8", min: 1, max: 16 },
    {
      key: "order",
      label: say.number1Is,
      choices: [
        ["lightest", "the smallest step"],
        ["heaviest", say.theLargestStep],
      ],
      preset: "lightest",
    },
    {
      key: "counts",
      label: say.whatCounts,
      choices: [
        ["on", say.onWhole],
        ["off", say.offCut],
      ],
      preset: "on",
    },
    { key: "weights", label: say.otherWeights, hint: say.emptyDoubling },
    { key: "offset", label: say.addedToTheSum, quantity: "plain", hint: "0", min: -1e6 },
    { key: "step", label: say.aStepIs, quantity: "plain", hint: "1", min: -1e6 },
    { key: "chart", label: say.chartOfASheet, lines: 5, hint: "24: 1 3 5\n30: 1 2 4 5\n18: 1 2 3" },
    { key: "found", label: say.found, hint: say.orOnOffOnOn, under: say.foundAndWanted },
    { key: "wanted", label: say.wanted, quantity: "plain", min: -1e9, under: say.foundAndWanted },
    {
      key: "sits",
      label: say.theBoardSits,
      choices: [
        ["upright", "upright"],
        ["upside-down", say.upsideDown],
      ],
      preset: "upright",
      under: say.asItSits,
    },
    {
      key: "marked",
      label: say.theMarkedEndIs,
      choices: [
        ["left", say.leftBoardUpright],
        ["right", say.rightBoardUpright],
      ],
      preset: "left",
      under: say.asItSits,
    },
  ],
  work,
};
