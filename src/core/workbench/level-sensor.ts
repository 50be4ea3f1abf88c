import { quantityText } from "../quantity";
import { formula, readList, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/level-sensor";

/** How the ohms of a potentiometer follow its turn. */
export const TAPERS = ["linear", "logarithmic", "reverse logarithmic"] as const;
export type Taper = (typeof TAPERS)[number];

/**
 * Share of the whole ohms at a share of the turn. A logarithmic one has a tenth to a fifth at half turn (from memory):
 * the curve through 15 %, (b^x - 1) / (b - 1).
 */
export function taperShare(taper: Taper, turn: number): number {
  if (taper === "linear") return turn;
  if (taper === "reverse logarithmic") return 1 - taperShare("logarithmic", 1 - turn);
  return (LOG_BASE ** turn - 1) / (LOG_BASE - 1);
}
const AT_HALF_TURN = 0.15;
const LOG_BASE = (1 / AT_HALF_TURN - 1) ** 2;

/** A potentiometer swept from end to end: ohms from the wiper to one end, in the order turned, in even steps. */
export interface Sweep {
  /** Places (1 is the first reading) at which it goes dead. */
  readonly dead: readonly number[];
  /** Places at which it steps back. */
  readonly backward: readonly number[];
  readonly least: number;
  readonly most: number;
  /** The taper that the readings follow best. */
  readonly taper: Taper;
}

/**
 * Judges a sweep: dead where it opens or leaps more than a quarter of its range beyond the step of its taper; backward
 * where it turns round. Throws `Refused` with fewer than three readings.
 */
export function judgeSweep(ohms: readonly number[]): Sweep {
  if (ohms.length < 3) throw new Refused(say.typeThreeReadingsAtLeast, "sweep");
  const finite = ohms.filter(Number.isFinite);
  const [least, most] = [Math.min(...finite), Math.max(...finite)];
  const range = most - least || 1;
  const rises = (finite[finite.length - 1] ?? 0) >= (finite[0] ?? 0);
  const shares = ohms.map((v) => (v - least) / range);
  const turnAt = (i: number) => (rises ? i : ohms.length - 1 - i) / (ohms.length - 1);
  // Half of the readings lie nearer than the median: one dead spot does not make another taper of it.
  const misses = (taper: Taper) => {
    const off = shares.flatMap((s, i) => (Number.isFinite(s) ? [Math.abs(s - taperShare(taper, turnAt(i)))] : []));
    return off.sort((a, b) => a - b)[Math.floor(off.length / 2)] ?? 0;
  };
  const taper = TAPERS.reduce((best, t) => (misses(t) < misses(best) - 0.02 ? t : best));
  const isLeap = (i: number) => {
    if (i === 0 || !Number.isFinite(ohms[i - 1]!)) return false;
    const step = taperShare(taper, turnAt(i)) - taperShare(taper, turnAt(i - 1));
    return Math.abs(shares[i]! - shares[i - 1]!) > 0.25 + Math.abs(step);
  };
  const dead = ohms.flatMap((v, i) => (!Number.isFinite(v) || isLeap(i) ? [i + 1] : []));
  const backward = ohms.flatMap((v, i) =>
    i > 0 &&
    Number.isFinite(v) &&
    Number.isFinite(ohms[i - 1]!) &&
    (rises ? v < ohms[i - 1]! - 0.02 * range : v > ohms[i - 1]! + 0.02 * range) &&
    !dead.includes(i + 1)
      ? [i + 1]
      : [],
  );
  return { dead, backward, least, most, taper };
}

/** Adds what a swept potentiometer is to the lines; what it is worth. */
function potentiometerOf(given: Given, lines: Line[]): Verdict {
  const list = readList(given.text("sweep"), "ohms", given.liked, "sweep");
  const sweep = judgeSweep(list);
  lines.push({
    label: say.fromEndToEnd,
    text: `${quantityText(sweep.least, "ohms")} to ${quantityText(sweep.most, "ohms")}`,
    big: true,
  });
  lines.push({ label: say.taper, text: say.tapers[sweep.taper], source: say.tapersFromMemory });
  const wanted = given.text("taper");
  const isOther = wanted !== "" && wanted !== sweep.taper;
  const print = given.number("print");
  const off = print !== undefined && Math.abs(sweep.most / print - 1) > 0.2;
  if (print !== undefined)
    lines.push({
      label: say.againstItsPrint,
      text: quantityText(sweep.most / print - 1, "share"),
      formula: formula(
        "R / print - 1",
        `${quantityText(sweep.most, "ohms")} / ${quantityText(print, "ohms")} - 1`,
        quantityText(sweep.most / print - 1, "share"),
      ),
      source: say.isUsualFromMemory,
    });
  if (sweep.dead.length > 0)
    return { kind: "bad", words: say.deadSpotAtReading(sweep.dead.join(", ")), mode: "dead-spot" };
  if (sweep.backward.length > 0)
    return {
      kind: "unsure",
      words: say.turnsBackAtReadingSweep(sweep.backward.join(", ")),
    };
  if (off) return { kind: "bad", words: say.evenButNotItsPrint };
  if (isOther) return { kind: "bad", words: say.anotherTaper };
  return { kind: "good", words: say.evenFromEndToEnd };
}

function work(given: Given): Sheet {
  const sort = given.text("sort");
  const lines: Line[] = [];
  let verdict: Verdict | undefined;
  const need = (key: string, words: string) => {
    const v = given.number(key);
    if (v === undefined) throw new Refused(words, key);
    return v;
  };
  if (sort === "hall" || sort === "reed") {
    const rail = need("rail", say.typeTheRailTheSensor);
    const wanted = given.number("railWanted") ?? 5;
    const [without, withMagnet] = [need("away", say.typeItsOutputWithoutThe), need("near", say.typeItsOutputWithThe)];
    const switches = Math.abs(without - withMagnet) > 0.5 * rail;
    lines.push({
      label: say.rail,
      text: Math.abs(rail / wanted - 1) <= 0.1 ? say.asItShouldBe : say.wrongTheSensorIsNot,
      source: say.within10CommonPracticeNo,
    });
    lines.push({
      label: say.outputMovesBy,
      text: quantityText(Math.abs(without - withMagnet), "volts"),
      big: true,
      formula: formula(
        say.vWithoutVWith,
        `${quantityText(without, "volts")} - ${quantityText(withMagnet, "volts")}`,
        quantityText(Math.abs(without - withMagnet), "volts"),
      ),
      source: say.halfTheRailAtLeast,
    });
    if (Math.abs(rail / wanted - 1) > 0.1) verdict = { kind: "unsure", words: say.noVerdictWithoutItsRail };
    else if (switches) verdict = { kind: "good", words: say.itFollowsTheMagnet };
    else
      verdict = {
        kind: "bad",
        words: without > rail / 2 ? say.staysHighSensorOrIts : say.staysLowSensorPullUp,
        mode: sort === "reed" ? "open" : "dead",
      };
  } else if (sort === "switch") {
    const [rest, acted] = [need("rest", say.typeItsOhmsAtRest), need("acted", say.typeItsOhmsWhenPressed)];
    const closed = (v: number) => v < 5;
    lines.push({
      label: say.atRestActedOn,
      text: `${closed(rest) ? "closed" : "open"}, ${closed(acted) ? "closed" : "open"}`,
      big: true,
      source: say.closedBelow5CommonPractice,
    });
    if (closed(rest) === closed(acted))
      verdict = {
        kind: "bad",
        words: closed(rest) ? say.staysClosedWeldedOrStuck : say.staysOpen,
        mode: closed(rest) ? "stuck-closed" : "open",
      };
    else if ([rest, acted].some((v) => v > 0.5 && v < 1e5))
      verdict = { kind: "unsure", words: say.itSwitchesButAContact };
    else verdict = { kind: "good", words: say.itSwitchesCleanly };
  } else {
    verdict = potentiometerOf(given, lines);
  }
  return {
    lines,
    verdict,
    cautions: sort === "hall" || sort === "reed" ? [say.poweredLowVoltageASlipped] : [say.deadItsPlugOff],
    notes: sort === "switch" ? [say.moveItByWhatIt] : [],
  };
}

/** Sensors that say where something is: Hall, reed, pressure, float, potentiometer. */
export const levelSensorTool: Tool = {
  id: "position",
  name: say.positionAndLevel,
  group: "sensors",
  words: say.hallReedPressureFloatPotentiometer,
  fields: [
    {
      key: "sort",
      label: say.itIs,
      choices: [
        ["hall", say.aHallSensor],
        ["reed", say.aReedWithPullUp],
        ["switch", say.aPressureOrFloatSwitch],
        ["pot", "a potentiometer"],
      ],
      preset: "hall",
    },
    { key: "rail", label: say.railAtItsPlug, quantity: "volts", under: say.hallReed, min: 0 },
    { key: "railWanted", label: say.railWanted, quantity: "volts", under: say.hallReed, hint: "5", min: 0.5 },
    { key: "away", label: say.outputNoMagnet, quantity: "volts", under: say.hallReed },
    { key: "near", label: say.outputMagnetNear, quantity: "volts", under: say.hallReed },
    { key: "rest", label: say.ohmsAtRest, quantity: "ohms", under: "Switch" },
    { key: "acted", label: say.ohmsActedOn, quantity: "ohms", under: "Switch" },
    { key: "sweep", label: say.ohmsEndToEnd, under: "Potentiometer", hint: "0.2 210 430 640 850 1.05k" },
    { key: "print", label: say.itsPrint, quantity: "ohms", under: "Potentiometer" },
    {
      key: "taper",
      label: say.taperWanted,
      choices: [["", "–"], ...TAPERS.map((t) => [t, say.tapers[t]] as const)],
      preset: "",
      under: "Potentiometer",
    },
  ],
  work,
  fill(part): Record<string, string> {
    const sort = part.kind.service.level;
    return sort ? { sort } : {};
  },
};
