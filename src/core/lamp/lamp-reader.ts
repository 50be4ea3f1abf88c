import { beatsOf, tailOf, withoutBounces, type Beat, type Watched } from "./lamp-beats";
import { blinkRate, type LampPattern } from "./lamp-pattern";
import { fitted, UNEVEN, UNEVEN_HAND, type Fit, type Rhythm } from "./lamp-rhythm";
import { templatesFor } from "./lamp-templates";
import { say } from "#words/core/lamp";

/**
 * Reads how a lamp goes from when it was lit. One decoder for the camera, the tapping hand and a list of times: each
 * pattern that the flashes may mean is laid over them (Viterbi, 1967, with flashes missed and doubled), its own rhythm
 * is fitted to what was seen, and the patterns are compared by Bayes' rule, against the possibility that it is none of
 * them.
 */

/** What was read. */
export interface LampReading {
  readonly pattern: LampPattern | null;
  /** Of `pattern`, 0 to 1. */
  readonly probability: number;
  readonly sure: boolean;
  readonly runnerUp: { readonly pattern: LampPattern; readonly probability: number } | null;
  /** Whole rounds seen. */
  readonly rounds: number;
  /** Of an even blinking. */
  readonly hertz: number | null;
  /** What would make it surer; empty when it is sure. */
  readonly advice: string;
}

/** Probability from which a reading is said without reserve. */
export const SURE = 0.99;
/** Whole rounds that must agree, and blinks of an even blinking. */
const ROUNDS = 2.6;
const BLINKS = 5;
/** Seconds without a change after which a lamp is held to be dark, or steady: longer than any pause. */
const DARK_AFTER = 5;
const STEADY_AFTER = 4;
/** One found more uneven than that, by more than the chance of so few stretches, is believed only after more rounds. */
const CHANCE = 1.3;
const ROUNDS_UNEVEN = 5.6;
/**
 * Shortest stretch that could be told, and the logarithm of the whole range: the density of a stretch in no pattern
 * at all.
 */
const NO_PATTERN = Math.log(Math.log(10 / 0.02));
const PRIOR_NONE = 0.02;
/** Behind the leader by so much (a natural logarithm) at first look, a pattern is not looked at again. */
const RULED_OUT = 60;

/** Reads a lamp. Pure; throws a RangeError for flashes out of order. */
export function readLamp(watched: Watched): LampReading {
  const { flashes, start, end } = watched;
  flashes.forEach((f, i) => {
    if ((f.to !== null && f.to < f.from) || (i > 0 && f.from < (flashes[i - 1]!.to ?? flashes[i - 1]!.from)))
      throw new RangeError(say.theFlashesAreNotIn);
  });
  const nothing = { runnerUp: null, rounds: 0, hertz: null };
  const watchedFor = end - start;
  if (flashes.length === 0) {
    const sure = watchedFor >= DARK_AFTER;
    return {
      ...nothing,
      pattern: { kind: "dark" },
      probability: sure ? 1 : 0.5,
      sure,
      advice: sure ? "" : say.keepWatchingItMayOnly,
    };
  }
  const only = flashes[0]!;
  if (
    flashes.length === 1 &&
    only.from <= start + watched.blur * 3 &&
    (only.to === null || only.to >= end - watched.blur * 3) &&
    !watched.byHand
  ) {
    const sure = watchedFor >= STEADY_AFTER;
    return {
      ...nothing,
      pattern: { kind: "steady" },
      probability: sure ? 1 : 0.5,
      sure,
      advice: sure ? "" : say.keepWatchingItMayGo,
    };
  }
  if (watched.byHand && flashes.length === 1 && only.to !== null && only.to - only.from >= STEADY_AFTER)
    return { ...nothing, pattern: { kind: "steady" }, probability: 1, sure: true, advice: "" };
  const beats = beatsOf(watched.byHand ? { ...watched, flashes: withoutBounces(flashes) } : watched);
  if (beats.length < 3)
    return {
      ...nothing,
      pattern: null,
      probability: 0,
      sure: false,
      advice: say.tooFewFlashesYetKeep,
    };
  return judged(watched, beats);
}

function judged(watched: Watched, beats: readonly Beat[]): LampReading {
  const tail = tailOf(watched);
  // A first look, with a rhythm hardly fitted, rules out most.
  const rough = templatesFor(beats, watched.byHand).map((template) => ({
    template,
    fit: fitted(template, beats, tail, watched, 1),
  }));
  const lead = Math.max(...rough.map((r) => r.fit?.log ?? -Infinity));
  const fits = rough.flatMap(({ template, fit }) => {
    const full = fit !== null && fit.log > lead - RULED_OUT ? fitted(template, beats, tail, watched, 4) : null;
    return full === null ? [] : [{ template, fit: full }];
  });
  const none = Math.log(PRIOR_NONE) + beats.reduce((sum, b) => sum + noPattern(b.on) + noPattern(b.off), 0);
  const most = Math.max(none, ...fits.map((f) => f.fit.log));
  const total = Math.exp(none - most) + fits.reduce((sum, f) => sum + Math.exp(f.fit.log - most), 0);
  // Two ways of reading the same pattern (with and without a gap between digits) count together.
  const byPattern = new Map<string, { pattern: LampPattern; fit: Fit; probability: number }>();
  for (const { template, fit } of fits) {
    const key = patternKey(template.pattern, fit.rhythm);
    const probability = Math.exp(fit.log - most) / total;
    const known = byPattern.get(key.name);
    if (!known) byPattern.set(key.name, { pattern: key.pattern, fit, probability });
    else
      byPattern.set(key.name, {
        pattern: key.pattern,
        fit: fit.log > known.fit.log ? fit : known.fit,
        probability: known.probability + probability,
      });
  }
  const ranked = [...byPattern.values()].sort(
    (a, b) => b.probability - a.probability || (JSON.stringify(a.pattern) < JSON.stringify(b.pattern) ? -1 : 1),
  );
  const [best, second] = ranked;
  if (!best || best.probability < Math.exp(none - most) / total) {
    return {
      pattern: null,
      probability: 0,
      sure: false,
      runnerUp: best ? { pattern: best.pattern, probability: best.probability } : null,
      rounds: 0,
      hertz: null,
      advice: say.thisIsNoRhythmYet,
    };
  }
  const isEven = best.pattern.kind === "blinks";
  const isUneven = best.fit.scatter > (1 + CHANCE / Math.sqrt(beats.length)) * (watched.byHand ? UNEVEN_HAND : UNEVEN);
  const enough = best.fit.rounds >= roundsNeeded(isUneven, isEven);
  const sure = best.probability >= SURE && enough;
  const { short = 0, gap = 0 } = best.fit.rhythm;
  return {
    pattern: best.pattern,
    probability: best.probability,
    sure,
    rounds: Math.floor(best.fit.rounds),
    runnerUp:
      second && second.probability >= 0.001 ? { pattern: second.pattern, probability: second.probability } : null,
    hertz: isEven ? 1 / (short + gap) : null,
    advice: watchingAdvice(sure, enough, beats),
  };
}

/** The pattern with its rate, which only the fitted rhythm tells. */
function patternKey(pattern: LampPattern, rhythm: Rhythm): { name: string; pattern: LampPattern } {
  const { short = 0, gap = 0 } = rhythm;
  const full: LampPattern =
    pattern.kind === "blinks" ? { kind: "blinks", rate: blinkRate(1 / (short + gap)) } : pattern;
  return { name: JSON.stringify(full), pattern: full };
}

function noPattern(x: number | null): number {
  return x === null ? 0 : -Math.log(Math.max(1e-3, x)) - NO_PATTERN;
}

/** Rounds to watch before a code counts; an uneven one needs more. */
function roundsNeeded(isUneven: boolean, isEven: boolean): number {
  if (isUneven) {
    if (isEven) return 3 * BLINKS;
    return ROUNDS_UNEVEN;
  }
  if (isEven) return BLINKS;
  return ROUNDS;
}

/** What to do while the code is not sure yet. */
function watchingAdvice(sure: boolean, enough: boolean, beats: readonly Beat[]): string {
  if (sure) return "";
  if (!enough) return say.tooFewRoundsYetWatch;
  if (beats.every((b) => b.on === null)) return say.holdForAsLongAs;
  return say.itCouldBeReadIn;
}
