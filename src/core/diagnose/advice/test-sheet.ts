import { isClamp, type MeterFunction, unitOf } from "../../instrument";
import { cautionsFor, type Exposure, exposureOf } from "../../safety";
import type { Machine } from "../../model";
import { decimal, inSentence, quantity } from "../../quantity";
import { isByHand, type Test } from "../../simulate";
import { costOf, type Cost, type UnitState } from "../planning/cost";
import { assemblyName } from "../hypotheses/hypothesis";
import type { Outcome } from "../dictionary/outcomes";
import { windowOf, type Window } from "../reading/window";
import { readThrough } from "./read-through";
import type { Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { RatedTest } from "../planning/rating";
import { say } from "#words/core/diagnose/advice";

/** Where one lead goes. */
export interface Lead {
  readonly id: string;
  readonly name: string;
  readonly colour?: string;
  readonly where?: string;
  readonly signal?: string;
  /** Name of the reference the black lead stands on: neutral, board ground, chassis. */
  readonly reference?: string;
}

/** What one result would mean. */
export interface Meaning {
  readonly outcome: Outcome;
  readonly words: string;
  /** As sound as the machine file says a sound machine shows. */
  readonly sound: boolean;
  readonly probability: number;
  readonly leaves: readonly { readonly assembly: string; readonly name: string; readonly probability: number }[];
}

/** A test laid out for a person: what to set, where the leads go, what to expect, what each result would mean. */
export interface TestCard {
  readonly test: Test;
  readonly title: string;
  readonly functionWords: string;
  readonly range: string;
  readonly red: Lead;
  readonly black: Lead | null;
  readonly setupName: string;
  readonly setupHow: string;
  readonly exposure: Exposure;
  readonly cautions: readonly string[];
  readonly cost: Cost;
  readonly window: Window;
  readonly windowWords: string;
  /** Through what an ohmmeter reads there, in words; empty for other functions. */
  readonly through: string;
  readonly meanings: readonly Meaning[];
}

export interface ProposedTest extends TestCard {
  readonly why: string;
  readonly bits: number;
  /** What it proves of a board that is about to be blamed; null for a test of the search. */
  readonly proves: string | null;
}

export const FUNCTION_WORDS: Readonly<Record<MeterFunction, string>> = {
  dcv: say.dcVolts,
  acv: say.acVolts,
  lowz: say.lowImpedanceVolts,
  ohms: "Ohms",
  continuity: "Continuity",
  clamp: say.clampAcAmperes,
  dcclamp: say.clampDcAmperes,
  look: say.lookAndListenAlone,
  inrush: say.clampInrush,
  hertz: "Frequency",
  capacitance: "Capacitance",
  insulation: "Insulation, 500 V",
};

/** Labels a person sees, in words. */
export function labelWords(label: string): string {
  return label === "dashes" ? say.onlyDashes : label;
}

function lead(machine: Machine, id: string): Lead {
  const point = machine.points.get(id);
  if (!point)
    return {
      id,
      name: machine.clamps.get(id)?.name ?? machine.partById.get(id)?.name ?? id,
      ...(machine.clamps.get(id)?.colour ? { colour: machine.clamps.get(id)!.colour! } : {}),
    };
  const reference = machine.file.references.find((r) => r.points.includes(id))?.name;
  return {
    id,
    name: point.name,
    ...(point.colour ? { colour: point.colour } : {}),
    ...(point.where ? { where: point.where } : {}),
    ...(point.signal ? { signal: point.signal } : {}),
    ...(reference ? { reference } : {}),
  };
}

/** Ohms at and above which less would not be right: what leads alone show. */
export const LEADS_SHOW = 0.1;

/** A window on ohms. Leads touched together must not pass where the words say "below". */
function ohmsWords(low: number, high: number): string {
  if (high >= 2) return `${quantity(Math.max(0, low), "ohm")} to ${quantity(high, "ohm")}`;
  return low > LEADS_SHOW ? `${low.toFixed(1)} to ${high.toFixed(1)} Ω` : `below ${high.toFixed(1)} Ω`;
}

/** A window in words: "12.8 to 13.6 V", "OL", "lit". */
export function windowWords(window: Window, fn: MeterFunction): string {
  const unit = unitOf(fn);
  switch (window.kind) {
    case "range": {
      const [low, high] = [window.low, window.high];
      if (high === Infinity) return say.aboveOrOl(quantity(Math.max(0, low), unit));
      if (unit === "F" || fn === "insulation") return `${quantity(low, unit)} to ${quantity(high, unit)}`;
      if (Math.abs(low) < 0.2 && Math.abs(high) < 0.5) return fn === "ohms" ? "near 0 Ω" : `near 0 ${unit}`;
      if (fn === "ohms") return ohmsWords(low, high);
      return `${decimal(low)} to ${decimal(high)} ${unit}`;
    }
    case "overload":
      return "OL";
    case "label":
      return labelWords(window.label);
    case "beep":
      return window.beeps ? "beeps" : say.noBeep;
    case "unsteady":
      return say.notSteady;
    case "unspoken":
      return say.itsSheetDoesNotSay;
  }
}

/** What a reading of an outcome looks like, in words. */
export function outcomeWords(outcome: Outcome, fn: MeterFunction): string {
  const unit = unitOf(fn);
  switch (outcome.kind) {
    case "overload":
      return "OL";
    case "jumping":
      return say.unstableReading;
    case "beep":
      return outcome.beeps ? "beeps" : say.noBeep;
    case "label":
      return labelWords(outcome.label);
    case "value": {
      let nothing: number;
      if (unit === "F") nothing = 3e-8;
      else if (fn === "ohms") nothing = 3;
      else if (isClamp(fn)) nothing = 0.15;
      else if (fn === "acv") nothing = 3;
      else nothing = 0.3;
      if (!Number.isFinite(outcome.low) && !Number.isFinite(outcome.high)) return say.anyValue;
      const isNegative = outcome.high < -nothing;
      if (
        (outcome.high <= nothing && !isNegative) ||
        (outcome.centre !== null && Math.abs(outcome.centre) < nothing / 3)
      )
        return unit === "ohm" ? "near 0 Ω" : "near 0";
      if (outcome.centre !== null) return `near ${quantity(outcome.centre, unit)}`;
      if (!Number.isFinite(outcome.high)) return `above ${quantity(outcome.low, unit)}`;
      if (!Number.isFinite(outcome.low)) return `below ${quantity(outcome.high, unit)}`;
      return `${quantity(isNegative ? outcome.low : Math.max(0, outcome.low), unit)} to ${quantity(outcome.high, unit)}`;
    }
  }
}

const RANGES: Readonly<Partial<Record<MeterFunction, readonly (readonly [number, string])[]>>> = {
  dcv: [
    [2, "2 V"],
    [20, "20 V"],
    [60, "60 V"],
    [200, "200 V"],
    [600, "600 V"],
  ],
  acv: [
    [20, "20 V"],
    [200, "200 V"],
    [600, "600 V"],
  ],
  lowz: [[600, "600 V"]],
  ohms: [
    [200, "200 Ω"],
    [2e3, "2 kΩ"],
    [2e4, "20 kΩ"],
    [2e5, "200 kΩ"],
    [2e6, "2 MΩ"],
    [4e7, "highest"],
  ],
  clamp: [
    [2, "2 A"],
    [20, "20 A"],
    [200, "200 A"],
  ],
  dcclamp: [
    [2, "2 A"],
    [20, "20 A"],
    [400, "400 A"],
  ],
  inrush: [
    [20, "20 A"],
    [200, "200 A"],
    [400, "400 A"],
  ],
  insulation: [[Infinity, "500 V"]],
};

function rangeFor(fn: MeterFunction, outcomes: readonly Outcome[], sound: Window): string {
  const ranges = RANGES[fn];
  if (!ranges) return "";
  const expected = sound.kind === "range" ? Math.max(Math.abs(sound.low), Math.abs(sound.high)) : 0;
  const most = outcomes.reduce(
    (top, o) => (o.kind === "value" && o.centre !== null ? Math.max(top, Math.abs(o.centre)) : top),
    expected,
  );
  return (ranges.find(([limit]) => limit >= most * 1.1) ?? ranges[ranges.length - 1]!)[1];
}

/** Lays any test out, proposed or chosen by the technician. */
export function describeTest(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  test: Test,
): TestCard {
  const { machine } = dictionary;
  const setup = machine.setupById.get(test.setup)!;
  const sound = windowOf(test, dictionary.predictionsFor(test)[0]!, dictionary.meter);
  const red = lead(machine, test.red);
  const black = test.black === undefined ? null : lead(machine, test.black);
  const { outcomes } = dictionary.tableFor(test, unitState.repairs);
  return {
    test,
    red,
    black,
    title: titleOf(machine, test),
    functionWords: FUNCTION_WORDS[test.function],
    range: rangeFor(test.function, outcomes, sound),
    setupName: setup.name,
    setupHow: setup.how,
    exposure: exposureOf(machine, setup, test),
    cautions: cautionsFor(machine, setup, test),
    cost: costOf(machine, unitState, test),
    window: sound,
    windowWords: windowWords(sound, test.function),
    through: readThrough(dictionary, test),
    meanings: meaningsOf(dictionary, beliefs, unitState, test, sound),
  };
}

/** A test in one line that no other has: what, where, and how the unit stands. */
export function placeOf(machine: Machine, test: Test): string {
  const setup = machine.setupById.get(test.setup)?.name ?? test.setup;
  if (test.black === undefined) return `${titleOf(machine, test)}; ${inSentence(setup)}`;
  return (
    `${FUNCTION_WORDS[test.function]}, ${machine.points.get(test.red)?.name ?? test.red} to ` +
    `${machine.points.get(test.black)?.name ?? test.black}; ${inSentence(setup)}`
  );
}

/** What a test is called. */
export function titleOf(machine: Machine, test: Test): string {
  if (test.instant === "recheck") return say.powerOffWaitAndSee(machine.partById.get(test.red)?.name ?? test.red);
  if (isByHand(machine, test)) return say.turnByHand(machine.partById.get(test.red)!.name);
  if (test.function === "look") return say.lookAndListen(machine.partById.get(test.red)?.name ?? test.red);
  const red = machine.points.get(test.red);
  const black = test.black ? machine.points.get(test.black) : undefined;
  let place: string;
  if (isClamp(test.function)) place = machine.clamps.get(test.red)?.name ?? test.red;
  else if (red?.connectorName && red.connectorName === black?.connectorName)
    place = `${red.connectorName}, ${red.where ?? ""}`;
  else place = `${red?.name ?? test.red} to ${black?.name ?? test.black ?? ""}`;
  return `${FUNCTION_WORDS[test.function]} at ${place}`.replace(/, $/, "");
}

/** Outcomes worth a line: likely enough, with what each would leave; the rare ones are put together. */
function meaningsOf(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  test: Test,
  sound: Window,
): Meaning[] {
  const { outcomes, chances } = dictionary.tableFor(test, unitState.repairs);
  const n = outcomes.length;
  const lines = outcomes.map((outcome, o): Meaning => {
    const perAssembly = new Map<string, number>();
    let total = 0;
    beliefs.probability.forEach((p, h) => {
      const mass = p * chances[h * n + o]!;
      total += mass;
      const { assembly } = dictionary.hypotheses[h]!;
      perAssembly.set(assembly, (perAssembly.get(assembly) ?? 0) + mass);
    });
    const leaves = [...perAssembly]
      .map(([assembly, mass]) => ({
        assembly,
        name: assemblyName(dictionary.machine, assembly),
        probability: total > 0 ? mass / total : 0,
      }))
      .filter((l) => l.probability >= 0.08)
      .sort((a, b) => b.probability - a.probability || (a.assembly < b.assembly ? -1 : 1))
      .slice(0, 4);
    const asItShould = isSound(outcome, sound);
    // A wide gap that holds the sound reading is better named by that.
    const words =
      asItShould && outcome.kind === "value" && outcome.centre === null
        ? windowWords(sound, test.function)
        : outcomeWords(outcome, test.function);
    return { outcome, words, sound: asItShould, probability: total, leaves };
  });
  return mergeAlike(lines.filter((l) => l.probability >= 0.01).sort((a, b) => b.probability - a.probability)).slice(
    0,
    5,
  );
}

function isSound(outcome: Outcome, sound: Window): boolean {
  if (outcome.kind === "value")
    return (
      sound.kind === "range" &&
      outcome.low < (sound.low + sound.high) / 2 &&
      (sound.low + sound.high) / 2 <= outcome.high
    );
  if (outcome.kind === "label") return sound.kind === "label" && sound.label === outcome.label;
  if (outcome.kind === "beep") return sound.kind === "beep" && sound.beeps === outcome.beeps;
  return outcome.kind === sound.kind;
}

/** Lines that read the same (two gaps both "near 0") become one. */
function mergeAlike(lines: readonly Meaning[]): Meaning[] {
  const merged: Meaning[] = [];
  for (const line of lines) {
    const twin = merged.findIndex((m) => m.words === line.words);
    if (twin < 0) merged.push(line);
    else
      merged[twin] = {
        ...merged[twin]!,
        probability: merged[twin]!.probability + line.probability,
        sound: merged[twin]!.sound || line.sound,
      };
  }
  return merged;
}

/** Lays out the chosen test and says why it was chosen; `given` where it is not for what it tells. */
export function propose(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  chosen: RatedTest,
  second: RatedTest | undefined,
  given: { readonly why: string; readonly proves: string | null } | null = null,
): ProposedTest {
  const card = describeTest(dictionary, beliefs, unitState, chosen.test);
  return {
    ...card,
    bits: chosen.bits,
    proves: given?.proves ?? null,
    why: given?.why ?? whyThis(dictionary.machine, card, chosen, second),
  };
}

/** Why a test is proposed: what each result leaves, how long it takes, and which other is nearly as good. */
function whyThis(machine: Machine, card: TestCard, chosen: RatedTest, second: RatedTest | undefined): string {
  const [first, other] = card.meanings;
  const split =
    first && other
      ? say.firstWordsLeavesLeavesWords(cap(first.words), leavesWords(first), other.words, leavesWords(other))
      : say.itConfirmsTheLeadingSuspect;
  const minutes = chosen.minutes < 1 ? say.underAMinute : say.aboutMinutesMin(Math.round(chosen.minutes));
  return `${split} ${minutes}. ${valueWords(machine, chosen, second)}`;
}

/** How a test stands beside the best of the others; the search as a whole may prefer one that tells less by itself. */
function valueWords(machine: Machine, chosen: RatedTest, second: RatedTest | undefined): string {
  if (!second || second.score < NEARLY * chosen.score) return say.bestValueForTheTime;
  const other = inSentence(titleOf(machine, second.test));
  return second.score > chosen.score ? say.bestForTheSearchAs(other) : say.bestValueForTheTimeNearly(other);
}

/** A test that tells at least this share of the best one's information a minute is named beside it; estimate E37. */
const NEARLY = 0.9;

function leavesWords(meaning: Meaning): string {
  const leading = meaning.leaves.slice(0, 2);
  if (leading.length === 0) return say.noClearSuspect;
  return leading.map((l) => `${inSentence(l.name)} (${Math.round(100 * l.probability)} %)`).join(", ");
}

const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
