import type { Machine, Point } from "../../model";
import { forbidden } from "../../safety";
import type { Reading } from "../../quantity";
import { makeTest, type Test, testKey } from "../../simulate";
import type { Meter } from "../../instrument";
import { agreedOn, type Evidence } from "../evidence/evidence";
import { type Hypothesis, hypothesisName } from "../hypotheses/hypothesis";
import { likelihood, SLIP } from "../reading/likelihood";
import { windowOf } from "../reading/window";
import { windowWords } from "./test-sheet";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { believe } from "../belief/beliefs";
import { say } from "#words/core/diagnose/advice";

/**
 * A reading that fits nothing is compared with what the model predicts for the usual slips: another point, another
 * reference, the other volts, another standing of the unit. The slip is named, never averaged away.
 */

/** A slip that would explain the reading. */
export interface LikelySlip {
  readonly words: string;
  /** What was perhaps really measured. */
  readonly instead: Test;
  /** What that slip would show, and under what. */
  readonly shows: string;
  /** Share among the slips tried, 0 to 1. */
  readonly share: number;
}

export interface Misfit {
  readonly evidence: string;
  /** The test to make again. */
  readonly test: Test;
  readonly slips: readonly LikelySlip[];
  readonly sentence: string;
}

/** Share of the belief that the reading is a slip from which it is questioned. */
const QUESTIONED = 0.6;
/** Hypotheses whose predictions are tried for each slip. */
const MOST_TRIED = 8;
/** Relative odds of the usual slips; estimate E03. */
const ODDS = {
  "next pin": 3,
  mirrored: 2,
  "other side": 1.5,
  reference: 3,
  "other volts": 2,
  "low impedance": 0.5,
  standing: 3,
  range: 2,
} as const;

interface Tried {
  readonly words: string;
  readonly test: Test;
  readonly shown: Reading;
  readonly odds: number;
}

/**
 * Whether a reading fits nothing that is believed, and which slip would explain it; null when it fits. Needs no
 * dictionary built.
 */
export function misfitOf(dictionary: FaultDictionary, evidence: readonly Evidence[], id: string): Misfit | null {
  const reading = evidence.find((e) => e.type === "reading" && e.id === id);
  if (reading?.type !== "reading" || reading.test.instant !== "settled") return null;
  const { test, shown } = reading;
  const before = believe(
    dictionary,
    evidence.filter((e) => e.id !== id),
  ).probability;
  const predictions = dictionary.predictionsFor(test);
  let [fits, whole] = [0, 0];
  dictionary.hypotheses.forEach((h, i) => {
    if (h.kind === "something else") return;
    fits += before[i]! * likelihood(test, shown, predictions[i]!, dictionary.meter, 0);
    whole += before[i]! * likelihood(test, shown, predictions[i]!, dictionary.meter);
  });
  const outvoted = isOutvoted(dictionary.meter, evidence, reading);
  if (!outvoted && 1 - ((1 - SLIP) * fits) / Math.max(1e-300, whole) < QUESTIONED) return null;

  const tried = slipsFor(dictionary.machine, test, shown);
  const leading = dictionary.hypotheses
    .map((h, i) => ({ h, i, p: before[i]! }))
    .filter(({ h }) => h.kind !== "something else")
    .sort((a, b) => b.p - a.p)
    .slice(0, MOST_TRIED);
  const scored = tried.map((slip) => ({ slip, score: 0, best: leading[0]!.h, bestScore: 0 }));
  for (const setup of new Set(tried.map((t) => t.test.setup))) {
    const here = scored.filter((s) => s.slip.test.setup === setup);
    for (const { h, p } of leading) {
      dictionary
        .predict(
          setup,
          here.map((s) => s.slip.test),
          h,
        )
        .forEach((prediction, k) => {
          const mine =
            p *
            likelihood(here[k]!.slip.test, here[k]!.slip.shown, prediction, dictionary.meter, 0) *
            here[k]!.slip.odds;
          here[k]!.score += mine;
          if (mine > here[k]!.bestScore) {
            here[k]!.bestScore = mine;
            here[k]!.best = h;
          }
        });
    }
  }
  const sum = scored.reduce((total, s) => total + s.score, 0);
  const floor = dictionary.hypotheses.length > 0 ? likelihood(test, shown, [], dictionary.meter) : 0;
  const slips = scored
    .filter((s) => s.score > floor * 0.5)
    .sort((a, b) => b.score - a.score || (testKey(a.slip.test) < testKey(b.slip.test) ? -1 : 1))
    .slice(0, 3)
    .map(({ slip, score, best }): LikelySlip => ({
      words: slip.words,
      instead: slip.test,
      share: score / sum,
      shows: showsWith(dictionary, slip.test, best),
    }));
  return {
    evidence: id,
    test,
    slips,
    sentence: misfitSentence(outvoted, slips),
  };
}

/** Whether a reading does not count any more, because the same test was made again and showed something else. */
function isOutvoted(
  meter: Meter,
  evidence: readonly Evidence[],
  reading: Extract<Evidence, { type: "reading" }>,
): boolean {
  const group = evidence.filter(
    (e) =>
      e.type === "reading" &&
      testKey(e.test) === testKey(reading.test) &&
      (e.repairs?.length ?? 0) === (reading.repairs?.length ?? 0),
  );
  return (
    group.length > 1 &&
    !agreedOn(meter, group as Extract<Evidence, { type: "reading" }>[]).some((e) => e.id === reading.id)
  );
}

/**
 * The reading to be questioned after the last one: one that it has outvoted, else the last itself; null while there
 * is none.
 */
export function questioned(meter: Meter, evidence: readonly Evidence[]): string | null {
  const readings = evidence.filter((e) => e.type === "reading");
  const last = readings[readings.length - 1];
  if (!last) return null;
  return (
    [...readings].reverse().find((r) => testKey(r.test) === testKey(last.test) && isOutvoted(meter, evidence, r))?.id ??
    last.id
  );
}

/** The usual slips for a test: what was perhaps really measured. */
export function slipsFor(machine: Machine, test: Test, shown: Reading): Tried[] {
  const setup = machine.setupById.get(test.setup)!;
  const found = new Map<string, Tried>();
  const offer = (words: string, odds: number, other: Test, as: Reading = shown) => {
    const at = machine.setupById.get(other.setup)!;
    if (forbidden(machine, at, other) !== null || (testKey(other) === testKey(test) && as === shown)) return;
    const key = `${testKey(other)} ${JSON.stringify(as)}`;
    if (!found.has(key)) found.set(key, { words, test: other, shown: as, odds });
  };
  const { red, black, function: fn } = test;
  if (black !== undefined) {
    const swap = (words: string, odds: number, r: string | undefined, b: string | undefined) => {
      if (r !== undefined && b !== undefined && r !== b) offer(words, odds, makeTest(test.setup, fn, r, b));
    };
    for (const reference of machine.file.references) {
      const at = reference.points.find((p) => machine.points.get(p)!.node !== machine.points.get(black)?.node);
      if (at && !reference.points.includes(black)) swap(say.theBlackLeadOn(reference.name), ODDS.reference, red, at);
    }
    for (const [r, b, which] of [
      [red, black, "red"],
      [black, red, "black"],
    ] as const) {
      for (const { point, words, odds } of neighbours(machine, machine.points.get(r)!))
        swap(say.theLeadOn(which, words), odds, which === "red" ? point : b, which === "red" ? b : point);
    }
    if (fn === "dcv") offer(say.acVoltsInsteadOfDc, ODDS["other volts"], makeTest(test.setup, "acv", red, black));
    if (fn === "acv") {
      offer(say.dcVoltsInsteadOfAc, ODDS["other volts"], makeTest(test.setup, "dcv", red, black));
      offer(say.theLowImpedanceSetting, ODDS["low impedance"], makeTest(test.setup, "lowz", red, black));
    }
    if (shown.kind === "value" && shown.value !== 0)
      for (const [factor, words] of [
        [1000, "the display read in thousands"],
        [0.001, "the display read in thousandths"],
      ] as const)
        offer(words, ODDS.range, test, { kind: "value", value: shown.value * factor });
  }
  for (const other of machine.file.setups)
    if (
      other.id !== setup.id &&
      other.power === setup.power &&
      other.feeds.length === 0 &&
      other.apart.join() === setup.apart.join()
    )
      offer(say.theUnitStandingOtherwise(other.name), ODDS.standing, { ...test, setup: other.id });
  return [...found.values()];
}

/** Pins that are taken for a pin: the next ones, the mirrored one, the same one on the other side of the plug. */
function neighbours(machine: Machine, point: Point): { point: string; words: string; odds: number }[] {
  if (point.connector === undefined) return [];
  const side = [...machine.points.values()].filter((p) => p.connector === point.connector && p.where === point.where);
  const at = side.findIndex((p) => p.id === point.id);
  const other = [...machine.points.values()].find(
    (p) => p.connector === point.connector && p.pin === point.pin && p.where !== point.where,
  );
  const mirrored = side[side.length - 1 - at];
  return [
    ...[side[at - 1], side[at + 1]].flatMap((p) =>
      p ? [{ point: p.id, words: say.nameBesideIt(p.name), odds: ODDS["next pin"] }] : [],
    ),
    ...(mirrored && mirrored.id !== point.id
      ? [{ point: mirrored.id, words: say.countedFromTheWrongEnd(mirrored.name), odds: ODDS.mirrored }]
      : []),
    ...(other
      ? [{ point: other.id, words: `${other.name}, ${other.where ?? "other side"}`, odds: ODDS["other side"] }]
      : []),
  ];
}

/** What is said of a reading that fits nothing. */
function misfitSentence(outvoted: boolean, slips: LikelySlip[]): string {
  if (outvoted) return say.measuredAgainItShowedSomething;
  if (slips.length > 0) return say.noRemainingSuspectGivesThis;
  return say.noRemainingSuspectGivesThisReading;
}

/** What a test shows under a hypothesis, and which that is. */
function showsWith(dictionary: FaultDictionary, test: Test, hypothesis: Hypothesis): string {
  const prediction = dictionary.predict(test.setup, [test], hypothesis)[0]!;
  const shows = windowWords(windowOf(test, prediction, dictionary.meter), test.function);
  return hypothesis.kind === "no fault" ? shows : `${shows} with ${hypothesisName(dictionary.machine, hypothesis)}`;
}
