import { blinkRate, MOST_FLASHES, type Colour, type LampPattern } from "./lamp-pattern";

/**
 * Reads how a lamp goes from when it was lit. One decoder for the camera, the tapping hand and a list of times: each
 * pattern that the flashes may mean is laid over them (Viterbi, 1967, with flashes missed and doubled), its own rhythm is fitted to
 * what was seen, and the patterns are compared by Bayes' rule, against the possibility that it is none of them.
 */

/** A flash, in seconds on any clock; `to` is null where only its beginning is known. */
export interface Flash {
  readonly from: number;
  readonly to: number | null;
  readonly colour?: Colour;
}

/** What was watched, and how sharply. */
export interface Watched {
  readonly flashes: readonly Flash[];
  /** The lamp was watched from then to then. */
  readonly start: number;
  readonly end: number;
  /** By how much an edge may be off: a third of a frame of a camera, the unsteadiness of a hand; seconds. */
  readonly blur: number;
  /** Tapped by a hand, which misses flashes and doubles them; a camera hardly does. */
  readonly byHand: boolean;
}

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
/** A rhythm is even to within this share of each stretch. */
const UNEVEN = 0.17;
const UNEVEN_HAND = 0.22;
/** One found more uneven than that, by more than the chance of so few stretches, is believed only after more rounds. */
const CHANCE = 1.3;
const ROUNDS_UNEVEN = 5.6;
/** Ratios of stretches, as the middle and the spread of their logarithm; and the least a word allows. From memory. */
const LONG_TO_SHORT = { middle: Math.log(3), spread: 0.4, least: 1.6 };
const PAUSE_TO_GAP = { middle: Math.log(4), spread: 0.7, least: 1.7 };
const DIGIT_TO_GAP = { middle: Math.log(2.6), spread: 0.5, least: 1.5 };
const PAUSE_TO_DIGIT = { middle: Math.log(2.2), spread: 0.5, least: 1.25 };
const EVEN_OFF_TO_ON = { middle: 0, spread: 0.35, least: 0 };
const SINGLE_OFF_TO_ON = { middle: Math.log(5), spread: 0.5, least: 1.3 };
const LETTER_TO_DOT = { middle: Math.log(3), spread: 0.3, least: 1.6 };
const WORD_TO_DOT = { middle: Math.log(7), spread: 0.4, least: 2.5 };
/** Shortest stretch that could be told, and the logarithm of the whole range: the density of a stretch in no pattern at all. */
const NO_PATTERN = Math.log(Math.log(10 / 0.02));
const PRIOR_NONE = 0.02;
/** Behind the leader by so much (a natural logarithm) at first look, a pattern is not looked at again. */
const RULED_OUT = 60;
/** A second flash within this of the first is a bounce of the finger, seconds. */
const BOUNCE = 0.15;

type On = "short" | "long";
type Off = "gap" | "digit" | "pause";
interface Element { readonly on: On; readonly off: Off; readonly colour?: Colour }
interface Ratio { readonly middle: number; readonly spread: number; readonly least: number }
interface Template {
  readonly pattern: LampPattern;
  readonly elements: readonly Element[];
  readonly prior: number;
  readonly ratios: readonly { readonly over: On | Off; readonly under: On | Off; readonly as: Ratio }[];
}
type Rhythm = Readonly<Partial<Record<On | Off, number>>>;
interface Fit { readonly log: number; readonly rounds: number; readonly rhythm: Rhythm; readonly scatter: number }

/** A stretch of light and the dark after it; null where it was not seen whole. */
interface Beat { readonly on: number | null; readonly off: number | null; readonly colour: Colour | undefined }

/** Reads a lamp. Pure; throws a RangeError for flashes out of order. */
export function readLamp(watched: Watched): LampReading {
  const { flashes, start, end } = watched;
  flashes.forEach((f, i) => {
    if ((f.to !== null && f.to < f.from) || (i > 0 && f.from < (flashes[i - 1]!.to ?? flashes[i - 1]!.from))) throw new RangeError("The flashes are not in order of time.");
  });
  const nothing = { runnerUp: null, rounds: 0, hertz: null };
  const watchedFor = end - start;
  if (flashes.length === 0) {
    const sure = watchedFor >= DARK_AFTER;
    return { ...nothing, pattern: { kind: "dark" }, probability: sure ? 1 : 0.5, sure, advice: sure ? "" : "Keep watching: it may only be between two flashes." };
  }
  const only = flashes[0]!;
  if (flashes.length === 1 && only.from <= start + watched.blur * 3 && (only.to === null || only.to >= end - watched.blur * 3) && !watched.byHand) {
    const sure = watchedFor >= STEADY_AFTER;
    return { ...nothing, pattern: { kind: "steady" }, probability: sure ? 1 : 0.5, sure, advice: sure ? "" : "Keep watching: it may go dark yet." };
  }
  if (watched.byHand && flashes.length === 1 && only.to !== null && only.to - only.from >= STEADY_AFTER) return { ...nothing, pattern: { kind: "steady" }, probability: 1, sure: true, advice: "" };
  const beats = beatsOf(watched.byHand ? { ...watched, flashes: withoutBounces(flashes) } : watched);
  if (beats.length < 3) return { ...nothing, pattern: null, probability: 0, sure: false, advice: "Too few flashes yet: keep watching for three rounds." };
  return judged(watched, beats);
}

function judged(watched: Watched, beats: readonly Beat[]): LampReading {
  const tail = tailOf(watched);
  // A first look, with a rhythm hardly fitted, rules out most.
  const rough = templatesFor(beats, watched.byHand).map((template) => ({ template, fit: fitted(template, beats, tail, watched, 1) }));
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
    else byPattern.set(key.name, { pattern: key.pattern, fit: fit.log > known.fit.log ? fit : known.fit, probability: known.probability + probability });
  }
  const ranked = [...byPattern.values()].sort((a, b) => b.probability - a.probability || (JSON.stringify(a.pattern) < JSON.stringify(b.pattern) ? -1 : 1));
  const [best, second] = ranked;
  if (!best || best.probability < Math.exp(none - most) / total) {
    return { pattern: null, probability: 0, sure: false, runnerUp: best ? { pattern: best.pattern, probability: best.probability } : null, rounds: 0, hertz: null, advice: "This is no rhythm yet. Watch three more rounds, hold the camera still." };
  }
  const isEven = best.pattern.kind === "blinks";
  const isUneven = best.fit.scatter > (1 + CHANCE / Math.sqrt(beats.length)) * (watched.byHand ? UNEVEN_HAND : UNEVEN);
  const enough = best.fit.rounds >= (isUneven ? (isEven ? 3 * BLINKS : ROUNDS_UNEVEN) : isEven ? BLINKS : ROUNDS);
  const sure = best.probability >= SURE && enough;
  const { short = 0, gap = 0 } = best.fit.rhythm;
  return {
    pattern: best.pattern, probability: best.probability, sure, rounds: Math.floor(best.fit.rounds),
    runnerUp: second && second.probability >= 0.001 ? { pattern: second.pattern, probability: second.probability } : null,
    hertz: isEven ? 1 / (short + gap) : null,
    advice: sure ? "" : !enough ? "Too few rounds yet: watch another." : beats.every((b) => b.on === null) ? "Hold for as long as it is lit, let go while it is dark." : "It could be read in two ways: watch another round.",
  };
}

/** The pattern with its rate, which only the fitted rhythm tells. */
function patternKey(pattern: LampPattern, rhythm: Rhythm): { name: string; pattern: LampPattern } {
  const { short = 0, gap = 0 } = rhythm;
  const full: LampPattern = pattern.kind === "blinks" ? { kind: "blinks", rate: blinkRate(1 / (short + gap)) } : pattern;
  return { name: JSON.stringify(full), pattern: full };
}

function noPattern(x: number | null): number {
  return x === null ? 0 : -Math.log(Math.max(1e-3, x)) - NO_PATTERN;
}

/** A finger that bounces makes two flashes of one: what begins this soon after the last is still the last, seconds. */
const REBOUND = 0.09;

function withoutBounces(flashes: readonly Flash[]): Flash[] {
  const kept: Flash[] = [];
  for (const f of flashes) {
    const last = kept[kept.length - 1];
    if (last?.to && f.from - last.to < REBOUND) kept[kept.length - 1] = { ...last, to: f.to };
    else kept.push(f);
  }
  return kept;
}

/** Flashes as beats: light, then dark. What began before the watching or outlasted it is not whole. */
function beatsOf({ flashes, start, end, blur, byHand }: Watched): Beat[] {
  // Taps of a finger that never varies say when a flash began, not how long it was.
  const holds = flashes.flatMap((f) => (f.to === null ? [] : [f.to - f.from]));
  const isTapped = byHand && holds.every((h) => h < 0.25);
  return flashes.map((f, i) => {
    const next = flashes[i + 1];
    const cut = (i === 0 && f.from <= start + blur) || (f.to !== null && f.to >= end - blur);
    if (isTapped || f.to === null) return { on: null, off: next ? next.from - f.from : null, colour: f.colour };
    return { on: cut ? null : f.to - f.from, off: next ? next.from - f.to : null, colour: f.colour };
  });
}

/** Seconds of darkness since the last flash; null when it is still lit. */
function tailOf({ flashes, end, byHand }: Watched): number | null {
  const last = flashes[flashes.length - 1]!;
  if (last.to === null || last.to >= end) return null;
  return byHand ? null : end - last.to;
}

/** Splits values into two sorts where their logarithms scatter least about their two means (Fisher, 1958); null when they are of one sort. */
function split(values: readonly number[], least: number): number | null {
  const logs = values.map((v) => Math.log(Math.max(1e-3, v))).sort((a, b) => a - b);
  const n = logs.length;
  const sums = [0];
  for (const l of logs) sums.push(sums[sums.length - 1]! + l);
  const mean = (from: number, to: number) => (sums[to]! - sums[from]!) / (to - from);
  // The scatter about two means is least where the sum of squares between them is greatest.
  let [at, best] = [-1, -1];
  for (let i = 1; i < n; i++) {
    const between = i * mean(0, i) ** 2 + (n - i) * mean(i, n) ** 2;
    if (at < 0 || between > best) { best = between; at = i; }
  }
  if (at < 0 || mean(at, n) - mean(0, at) < Math.log(least)) return null;
  return Math.exp((logs[at]! + logs[at - 1]!) / 2);
}

const near = (n: number) => [n - 1, n, n + 1].filter((k) => k >= 1 && k <= MOST_FLASHES);

/** The patterns worth laying over the flashes: those whose counts have been seen, give or take one. */
function templatesFor(beats: readonly Beat[], byHand: boolean): Template[] {
  const ons = beats.flatMap((b) => (b.on === null ? [] : [b.on]));
  const offs = beats.flatMap((b) => (b.off === null ? [] : [b.off]));
  const onSplit = split(ons, 1.4);
  const list: Template[] = [{ pattern: { kind: "blinks", rate: "evenly" }, elements: [{ on: "short", off: "gap" }], prior: 0.2, ratios: ons.length > 0 ? [{ over: "gap", under: "short", as: EVEN_OFF_TO_ON }] : [] }];
  const counts = new Set<number>([1]);
  const border = split(offs, 1.3);
  // There may be two sorts of pause: the longer stretches are looked at by themselves too.
  for (const at of [border, border === null ? null : split(offs.filter((o) => o > border), 1.2), border === null ? null : split(offs.filter((o) => o < border), 1.2)])
    if (at !== null) for (const n of runs(beats, (b) => b.off !== null && b.off > at)) (byHand ? near(n) : [n]).forEach((k) => counts.add(k));
  for (const n of counts) if (n <= MOST_FLASHES) list.push(groups(n, ons.length > 0));
  if (onSplit !== null) {
    const pairs = neighbours(beats.map((b) => (b.on === null ? null : b.on > onSplit)), byHand);
    // A long flash that came out short breaks its run; the whole round between two pauses still tells, divided as long and short are on the whole.
    const share = ons.filter((on) => on > onSplit).length / ons.length;
    for (const whole of counts)
      for (let firsts = Math.max(1, Math.round(whole * share) - 1); firsts <= Math.min(whole - 1, Math.round(whole * share) + 1); firsts++)
        if (firsts <= 9 && whole - firsts <= 9 && !pairs.some((p) => p.firsts === firsts && p.seconds === whole - firsts)) pairs.push({ firsts, seconds: whole - firsts });
    for (const { firsts, seconds } of pairs) {
      const pattern: LampPattern = { kind: "digits", long: firsts, short: seconds };
      list.push(...twice(pattern, firsts, seconds, { on: "long" }, { on: "short" }, [{ over: "long", under: "short", as: LONG_TO_SHORT }], 0.15 / 81));
    }
    list.push(...distress());
  }
  const colours = [...new Set(beats.flatMap((b) => (b.colour ? [b.colour] : [])))];
  if (colours.length === 2) {
    for (const [first, second] of [[colours[0]!, colours[1]!], [colours[1]!, colours[0]!]] as const) {
      for (const { firsts, seconds } of neighbours(beats.map((b) => (b.colour === undefined ? null : b.colour === first)), byHand)) {
        const pattern: LampPattern = { kind: "colours", first, firsts, second, seconds };
        list.push(...twice(pattern, firsts, seconds, { on: "short", colour: first }, { on: "short", colour: second }, [], 0.1 / 162));
      }
    }
  }
  return list;
}

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Lengths of the runs of beats, each ended by one for which `ends` holds. */
function runs(beats: readonly Beat[], ends: (b: Beat) => boolean): Set<number> {
  const found = new Set<number>();
  let n = 0;
  for (const beat of beats) {
    n++;
    if (ends(beat)) { found.add(n); n = 0; }
  }
  if (n > 0) found.add(n);
  return found;
}

/** Counts of a run of `true` followed by a run of `false`: every length of the one that was seen with every length of the other; by hand also one more or fewer. */
function neighbours(flags: readonly (boolean | null)[], byHand: boolean): { firsts: number; seconds: number }[] {
  const lengths: Readonly<Record<"true" | "false", Map<number, number>>> = { true: new Map(), false: new Map() };
  let [run, of] = [0, null as boolean | null];
  for (const flag of [...flags, null]) {
    if (flag !== null && flag === of) { run++; continue; }
    if (of !== null) { const seen = lengths[of ? "true" : "false"]; seen.set(run, (seen.get(run) ?? 0) + 1); }
    if (flag === null && run === 0) continue;
    [run, of] = [1, flag];
  }
  // One flash taken for the other sort makes runs that are not there; the commonest few hold the true one.
  const common = (seen: ReadonlyMap<number, number>) => {
    const often = [...seen].sort((a, b) => b[1] - a[1] || b[0] - a[0]).slice(0, 4).map(([n]) => n);
    return [...new Set(byHand ? often.flatMap(near) : often)].filter((n) => n <= 9);
  };
  return common(lengths.true).flatMap((firsts) => common(lengths.false).map((seconds) => ({ firsts, seconds })));
}

function groups(n: number, withLight: boolean): Template {
  const elements = Array.from({ length: n }, (_, i): Element => ({ on: "short", off: i === n - 1 ? "pause" : "gap" }));
  const single = withLight ? [{ over: "pause", under: "short", as: SINGLE_OFF_TO_ON } as const] : [];
  return { pattern: { kind: "groups", flashes: n }, elements, prior: 0.5 / MOST_FLASHES, ratios: n === 1 ? single : [{ over: "pause", under: "gap", as: PAUSE_TO_GAP }] };
}

/** A code of two counts, with and without a gap of its own between them. */
function twice(pattern: LampPattern, firsts: number, seconds: number, first: Omit<Element, "off">, second: Omit<Element, "off">, ratios: Template["ratios"], prior: number): Template[] {
  const build = (between: Off): Element[] => [
    ...Array.from({ length: firsts }, (_, i): Element => ({ ...first, off: i === firsts - 1 ? between : "gap" })),
    ...Array.from({ length: seconds }, (_, i): Element => ({ ...second, off: i === seconds - 1 ? "pause" : "gap" })),
  ];
  const more = firsts + seconds > 2;
  return [
    { pattern, elements: build("digit"), prior: prior / 2, ratios: [...ratios, ...(more ? [{ over: "digit", under: "gap", as: DIGIT_TO_GAP } as const] : []), { over: "pause", under: "digit", as: PAUSE_TO_DIGIT }] },
    { pattern, elements: build("gap"), prior: prior / 2, ratios: [...ratios, { over: "pause", under: "gap", as: PAUSE_TO_GAP }] },
  ];
}

/** Three dots, three dashes, three dots, as three letters or run together (ITU-R M.1677-1). */
function distress(): Template[] {
  const letter = (on: On, last: Off): Element[] => [{ on, off: "gap" }, { on, off: "gap" }, { on, off: last }];
  const build = (between: Off): Element[] => [...letter("short", between), ...letter("long", between), ...letter("short", "pause")];
  const morse = [{ over: "long", under: "short", as: LONG_TO_SHORT }, { over: "pause", under: "gap", as: WORD_TO_DOT }] as const;
  return [
    { pattern: { kind: "distress" }, elements: build("digit"), prior: 0.025, ratios: [...morse, { over: "digit", under: "gap", as: LETTER_TO_DOT }] },
    { pattern: { kind: "distress" }, elements: build("gap"), prior: 0.025, ratios: morse },
  ];
}

/** Lays a template over the beats, its rhythm fitted to them; null when its rhythm contradicts its words. */
function fitted(template: Template, beats: readonly Beat[], tail: number | null, watched: Watched, passes: number): Fit | null {
  let rhythm = firstRhythm(template, beats);
  let path = viterbi(template, beats, rhythm, tail, watched);
  for (let pass = 0; pass < passes; pass++) {
    const next = refitted(template, beats, path.places, rhythm);
    const changed = (Object.keys(next) as (On | Off)[]).some((k) => Math.abs(next[k]! - rhythm[k]!) > 1e-6);
    rhythm = next;
    path = viterbi(template, beats, rhythm, tail, watched);
    if (!changed) break;
  }
  let log = path.log + Math.log(template.prior);
  for (const { over, under, as } of template.ratios) {
    const [a, b] = [rhythm[over], rhythm[under]];
    if (a === undefined || b === undefined) continue;
    if (a / b < as.least) return null;
    log += -0.5 * ((Math.log(a / b) - as.middle) / as.spread) ** 2 - Math.log(as.spread * Math.sqrt(2 * Math.PI));
  }
  // Each free length of the rhythm was fitted: half the logarithm of the number of beats (Schwarz, 1978).
  log -= 0.5 * Object.keys(rhythm).length * Math.log(beats.length);
  return { log, rounds: path.rounds, rhythm, scatter: scatter(template, beats, path.places, rhythm, watched.blur) };
}

/** A rhythm to begin with: the lengths sorted, as many to each role as the template has of it. */
function firstRhythm({ elements }: Template, beats: readonly Beat[]): Rhythm {
  const rhythm: Partial<Record<On | Off, number>> = {};
  const deal = (values: readonly number[], roles: readonly (On | Off)[], order: readonly (On | Off)[]) => {
    const sorted = [...values].sort((a, b) => a - b);
    let at = 0;
    const present = order.filter((r) => roles.includes(r));
    present.forEach((role, i) => {
      const share = roles.filter((r) => r === role).length / roles.length;
      const to = i === present.length - 1 ? sorted.length : Math.min(sorted.length, at + Math.max(1, Math.round(share * sorted.length)));
      const mine = sorted.slice(at, to);
      rhythm[role] = mine.length > 0 ? median(mine) : sorted[sorted.length - 1] ?? 0.3;
      at = to;
    });
  };
  deal(beats.flatMap((b) => (b.on === null ? [] : [b.on])), elements.map((e) => e.on), ["short", "long"]);
  deal(beats.flatMap((b) => (b.off === null ? [] : [b.off])), elements.map((e) => e.off), ["gap", "digit", "pause"]);
  return rhythm;
}

/** Where each beat lies in the template, and whether the step to the next one was plain. */
interface Place { readonly at: number; readonly step: "plain" | "missed" | "double" }

function refitted({ elements }: Template, beats: readonly Beat[], places: readonly Place[], before: Rhythm): Rhythm {
  const sums = new Map<On | Off, [number, number]>();
  const add = (role: On | Off, x: number | null) => {
    if (x === null) return;
    const [sum, n] = sums.get(role) ?? [0, 0];
    sums.set(role, [sum + x, n + 1]);
  };
  places.forEach((place, i) => {
    const element = elements[place.at]!;
    const cameDouble = i > 0 && places[i - 1]!.step === "double";
    if (!cameDouble && place.step !== "double") add(element.on, beats[i]!.on);
    if (place.step === "plain") add(element.off, beats[i]!.off);
  });
  return Object.fromEntries((Object.keys(before) as (On | Off)[]).map((role) => { const s = sums.get(role); return [role, s ? s[0] / s[1] : before[role]!]; }));
}

/** By what share of themselves the stretches scatter about their rhythm, the blur of the edges taken off; root mean square. */
function scatter({ elements }: Template, beats: readonly Beat[], places: readonly Place[], rhythm: Rhythm, blur: number): number {
  let [sum, n] = [0, 0];
  const add = (x: number | null, mean: number) => {
    if (x === null) return;
    sum += Math.max(0, ((x - mean) / mean) ** 2 - ((1.2 * blur) / mean) ** 2);
    n++;
  };
  places.forEach((place, i) => {
    const element = elements[place.at]!;
    if (place.step !== "double" && !(i > 0 && places[i - 1]!.step === "double")) add(beats[i]!.on, rhythm[element.on]!);
    if (place.step === "plain") add(beats[i]!.off, rhythm[element.off]!);
  });
  return n < 4 ? 0 : Math.sqrt(sum / (n - 1));
}

function viterbi({ elements, pattern }: Template, beats: readonly Beat[], rhythm: Rhythm, tail: number | null, { blur, byHand }: Watched): { log: number; places: Place[]; rounds: number } {
  const k = elements.length;
  const uneven = byHand ? UNEVEN_HAND : UNEVEN;
  const missed = Math.log(byHand ? 0.03 : 0.001);
  const doubled = Math.log(byHand ? 0.002 : 0.001);
  const plain = Math.log(byHand ? 0.968 : 0.998);
  const sdOf = (mean: number) => Math.sqrt((uneven * mean) ** 2 + (blur * 1.5) ** 2);
  const tappedOnly = beats.every((b) => b.on === null);
  const bell = (mean: number, sd: number) => ({ mean, sd, log: Math.log(sd) + 0.9189385 });
  const at = (x: number, b: { readonly mean: number; readonly sd: number; readonly log: number }) => -0.5 * ((x - b.mean) / b.sd) ** 2 - b.log;
  const bright = elements.map((e) => bell(rhythm[e.on]!, sdOf(rhythm[e.on]!)));
  const on = (j: number, b: Beat) => {
    const { colour } = elements[j]!;
    return (colour && b.colour ? Math.log(colour === b.colour ? 0.98 : 0.005) : 0) + (b.on === null ? 0 : at(b.on, bright[j]!));
  };
  // Without colours in the pattern all flashes are of one colour.
  const colours = new Map<string, number>();
  for (const b of beats) if (b.colour) colours.set(b.colour, (colours.get(b.colour) ?? 0) + 1);
  const common = Math.max(0, ...colours.values());
  const odd = pattern.kind === "colours" ? 0 : [...colours.values()].reduce((a, b) => a + b, 0) - common;

  // What the template expects of each place is worked out once; then beat by beat, the best way to each place.
  const dark = elements.map((e) => bell(rhythm[e.off]!, sdOf(rhythm[e.off]!)));
  const skip = elements.map((e, j) => {
    const next = elements[(j + 1) % k]!;
    const parts = [rhythm[e.off]!, tappedOnly ? 0 : rhythm[next.on]!, rhythm[next.off]!];
    return bell(parts[0]! + parts[1]! + parts[2]!, Math.hypot(sdOf(parts[0]!), sdOf(parts[1]!), sdOf(parts[2]!)));
  });
  let logs = elements.map((_, j) => -Math.log(k) + on(j, beats[0]!));
  // The step by which the best way came to each place; it tells where from.
  const back: Place["step"][][] = [];
  for (let i = 1; i < beats.length; i++) {
    const off = beats[i - 1]!.off ?? 0;
    const light = elements.map((_, j) => on(j, beats[i]!));
    const bounced = doubled + (off < BOUNCE ? -Math.log(BOUNCE) : -30) + (beats[i]!.on === null ? 0 : Math.log(2));
    const next = new Array<number>(k).fill(-Infinity);
    const came = new Array<Place["step"]>(k).fill("plain");
    const lead = (to: number, step: Place["step"], log: number) => { if (log > next[to]!) { next[to] = log; came[to] = step; } };
    for (let j = 0; j < k; j++) {
      const [one, two] = [(j + 1) % k, (j + 2) % k];
      lead(one, "plain", logs[j]! + plain + at(off, dark[j]!) + light[one]!);
      lead(two, "missed", logs[j]! + missed + at(off, skip[j]!) + light[two]!);
      lead(j, "double", logs[j]! + bounced);
    }
    logs = next;
    back.push(came);
  }
  // The dark since the last flash: the template's own dark must not be over long ago.
  if (tail !== null) logs = logs.map((log, j) => { const gone = rhythm[elements[j]!.off]!; return log + (tail > gone + 4 * sdOf(gone) ? -7 : 0); });
  let last = 0;
  logs.forEach((log, j) => { if (log > logs[last]!) last = j; });
  const places: Place[] = [{ at: last, step: "plain" }];
  for (let i = back.length - 1, to = last; i >= 0; i--) {
    const step = back[i]![to]!;
    to = (to + k * 2 - { plain: 1, missed: 2, double: 0 }[step]) % k;
    places.push({ at: to, step });
  }
  places.reverse();
  const steps = places.slice(0, -1).reduce((n, p) => n + (p.step === "plain" ? 1 : p.step === "missed" ? 2 : 0), 1);
  return { log: logs[last]! + odd * Math.log(0.02), places, rounds: steps / k };
}
